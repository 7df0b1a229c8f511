CREATE TABLE "practice_rounds" (
	"id" uuid PRIMARY KEY NOT NULL,
	"tester_id" uuid NOT NULL,
	"kind" text NOT NULL,
	"done_on" date NOT NULL,
	"tries" integer NOT NULL,
	"error" double precision NOT NULL,
	"bias" double precision,
	"late" double precision,
	"typed" jsonb,
	"stored_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "practice_rounds_kind" CHECK ("practice_rounds"."kind" in ('dial', 'landmarks')),
	CONSTRAINT "practice_rounds_tries" CHECK ("practice_rounds"."tries" between 1 and 100)
);
--> statement-breakpoint
ALTER TABLE "practice_rounds" ADD CONSTRAINT "practice_rounds_tester_id_people_id_fk" FOREIGN KEY ("tester_id") REFERENCES "public"."people"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "practice_rounds_tester" ON "practice_rounds" USING btree ("tester_id","done_on");