ALTER TABLE "clients" ADD COLUMN "week_ends_on" smallint;--> statement-breakpoint
ALTER TABLE "clients" ADD CONSTRAINT "clients_week_end" CHECK ("clients"."week_ends_on" between 0 and 6);--> statement-breakpoint
-- The weekly set at home takes the waist at the navel now: the narrowest one of earlier weeks stays a girth taken besides.
INSERT INTO "check_in_extra_girths" ("check_in_id", "girth")
SELECT DISTINCT r."check_in_id", 'waist' FROM "readings" r JOIN "check_ins" c ON c."id" = r."check_in_id"
WHERE c."protocol_id" = 'home-weekly' AND r."kind" = 'girth' AND r."site" = 'waist'
ON CONFLICT DO NOTHING;
