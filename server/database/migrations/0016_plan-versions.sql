ALTER TABLE "plans" ADD COLUMN "made_by" text;--> statement-breakpoint
ALTER TABLE "plans" ADD COLUMN "changes" uuid;--> statement-breakpoint
ALTER TABLE "plans" ADD COLUMN "findings" jsonb DEFAULT '[]'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "plans" ADD COLUMN "refused" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "plans" ADD CONSTRAINT "plans_changes_plans_id_fk" FOREIGN KEY ("changes") REFERENCES "public"."plans"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "plans" ADD CONSTRAINT "plans_refused_are_not_in_force" CHECK (not refused or replaced_at is not null);--> statement-breakpoint
-- What a record says of its plan has another form now: it is said anew.
UPDATE client_verdicts SET seen = NULL, said = NULL;
