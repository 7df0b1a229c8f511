ALTER TABLE "readings" DROP CONSTRAINT "readings_kind";--> statement-breakpoint
ALTER TABLE "readings" DROP CONSTRAINT "readings_site";--> statement-breakpoint
ALTER TABLE "readings" ADD CONSTRAINT "readings_kind" CHECK ("readings"."kind" in ('skinfold', 'girth', 'breadth', 'length', 'mass', 'height'));--> statement-breakpoint
ALTER TABLE "readings" ADD CONSTRAINT "readings_site" CHECK (("readings"."site" is not null) = ("readings"."kind" in ('skinfold', 'girth', 'breadth', 'length')) and ("readings"."standard" is not null) = ("readings"."kind" = 'skinfold')
        and ("readings"."technique" is null or "readings"."site" is not null and length("readings"."technique") between 1 and 200));