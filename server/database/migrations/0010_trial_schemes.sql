ALTER TABLE "readings" DROP CONSTRAINT "readings_trial";--> statement-breakpoint
ALTER TABLE "readings" DROP CONSTRAINT "readings_site";--> statement-breakpoint
ALTER TABLE "readings" ADD COLUMN "technique" text;--> statement-breakpoint
ALTER TABLE "readings" ADD CONSTRAINT "readings_trial" CHECK ("readings"."trial" between 0 and 9);--> statement-breakpoint
ALTER TABLE "readings" ADD CONSTRAINT "readings_site" CHECK (("readings"."site" is not null) = ("readings"."kind" in ('skinfold', 'girth')) and ("readings"."standard" is not null) = ("readings"."kind" = 'skinfold')
        and ("readings"."technique" is null or "readings"."site" is not null and length("readings"."technique") between 1 and 200));--> statement-breakpoint
-- The technique is part of the box that a reading fills. The core has the same rule (readings/reading.ts).
CREATE OR REPLACE VIEW readings_in_force AS
SELECT r.* FROM readings r
WHERE NOT EXISTS (SELECT 1 FROM readings s WHERE s.supersedes = r.id)
  AND NOT EXISTS (SELECT 1 FROM readings q
    WHERE q.check_in_id = r.check_in_id AND q.kind = r.kind AND q.trial = r.trial
      AND q.site IS NOT DISTINCT FROM r.site AND q.standard IS NOT DISTINCT FROM r.standard
      AND q.technique IS NOT DISTINCT FROM r.technique
      AND (q.taken_at, q.id) > (r.taken_at, r.id)
      AND NOT EXISTS (SELECT 1 FROM readings s WHERE s.supersedes = q.id));
--> statement-breakpoint
-- Sets of a coach's own had so many rounds of folds and a tolerance in mm; girths went by their standard. The core reads
-- such a set the same way (protocols/read-own-protocol.ts). A set of one round asks its girths once, as it says.
CREATE FUNCTION with_trial_schemes(own jsonb) RETURNS jsonb LANGUAGE sql AS $$
SELECT own - 'rounds' - 'toleranceMm' || jsonb_build_object(
  'foldTrials', jsonb_build_object('order', 'rounds', 'count', rounds,
    'most', CASE WHEN rounds > 1 THEN rounds + 1 ELSE 1 END,
    'tolerance', jsonb_build_object('kind', 'mm', 'value', own -> 'toleranceMm'), 'value', gives, 'dropsFirst', false),
  'girthTrials', jsonb_build_object('order', 'rounds', 'count', least(rounds, 2),
    'most', CASE WHEN rounds > 1 THEN 3 ELSE 1 END,
    'tolerance', CASE WHEN international THEN '{"kind": "percent", "value": 1}'::jsonb
      ELSE '{"kind": "cm", "value": 0.5}'::jsonb END, 'value', gives, 'dropsFirst', false),
  'readingDelaySeconds', 2,
  'wording', '{}'::jsonb)
FROM (SELECT (own ->> 'rounds')::int AS rounds, own ->> 'standard' = 'int' AS international,
  CASE WHEN own ->> 'standard' = 'int' THEN 'median' ELSE 'closest two' END AS gives) old
$$;
--> statement-breakpoint
UPDATE "own_protocols" SET "definition" = with_trial_schemes("definition") WHERE "definition" ? 'rounds';
--> statement-breakpoint
UPDATE "check_ins" SET "own_protocol" = with_trial_schemes("own_protocol") WHERE "own_protocol" ? 'rounds';
--> statement-breakpoint
DROP FUNCTION with_trial_schemes(jsonb);
