ALTER TABLE "leaderboards" DROP CONSTRAINT "leaderboards_measure";--> statement-breakpoint
ALTER TABLE "leaderboards" ADD CONSTRAINT "leaderboards_measure" CHECK ("leaderboards"."measure" in ('fatPercent', 'fatMass', 'sum', 'equationSum', 'recomposition'));--> statement-breakpoint
-- Goals for a sum were for the sum of the equation's folds: that is what they stay.
UPDATE "plans" SET "definition" = jsonb_set("definition", '{goal,kind}', '"equationSum"')
WHERE "definition" #>> '{goal,kind}' = 'sum';
