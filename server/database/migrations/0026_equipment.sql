CREATE TABLE "zero_checks" (
	"id" uuid PRIMARY KEY NOT NULL,
	"instrument_id" uuid NOT NULL,
	"checked_on" date NOT NULL,
	"read" double precision NOT NULL,
	"stored_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "other_results" (
	"id" uuid PRIMARY KEY NOT NULL,
	"client_id" uuid NOT NULL,
	"method" text NOT NULL,
	"device" text NOT NULL,
	"conditions" text NOT NULL,
	"measured_on" date NOT NULL,
	"fat_percent" double precision NOT NULL,
	"fat_kg" double precision,
	"lean_kg" double precision,
	"stored_at" timestamp with time zone DEFAULT now() NOT NULL,
	"removed_at" timestamp with time zone,
	CONSTRAINT "other_results_method" CHECK ("other_results"."method" in ('dxa', 'air', 'water', 'bia', 'ultrasound')),
	CONSTRAINT "other_results_fat" CHECK ("other_results"."fat_percent" > 0 and "other_results"."fat_percent" < 80),
	CONSTRAINT "other_results_masses" CHECK ("other_results"."fat_kg" > 0 and "other_results"."lean_kg" > 0)
);
--> statement-breakpoint
CREATE TABLE "studies" (
	"id" uuid PRIMARY KEY NOT NULL,
	"tester_id" uuid NOT NULL,
	"reference_id" uuid,
	"standard" text NOT NULL,
	"sites" jsonb NOT NULL,
	"subjects" jsonb NOT NULL,
	"measured_order" jsonb NOT NULL,
	"caliper_id" uuid,
	"tape_id" uuid,
	"begun_on" date NOT NULL,
	"ended_at" timestamp with time zone,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "studies_two" CHECK ("studies"."reference_id" is distinct from "studies"."tester_id"),
	CONSTRAINT "studies_standard" CHECK ("studies"."standard" in ('us', 'int', 'dw', 'gym'))
);
--> statement-breakpoint
CREATE TABLE "study_trials" (
	"id" uuid PRIMARY KEY NOT NULL,
	"position" bigint GENERATED ALWAYS AS IDENTITY (sequence name "study_trials_position_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 9223372036854775807 START WITH 1 CACHE 1),
	"study_id" uuid NOT NULL,
	"subject" integer NOT NULL,
	"site" text NOT NULL,
	"tester_id" uuid NOT NULL,
	"trial" integer NOT NULL,
	"value_canonical" double precision NOT NULL,
	"typed_unit" text NOT NULL,
	"typed_text" text NOT NULL,
	"taken_on" date NOT NULL,
	"stored_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "study_trials_trial" CHECK ("study_trials"."trial" in (1, 2)),
	CONSTRAINT "study_trials_value" CHECK ("study_trials"."value_canonical" > 0 and "study_trials"."value_canonical" < 1000),
	CONSTRAINT "study_trials_typed_unit" CHECK ("study_trials"."typed_unit" in ('mm', 'cm', 'm', 'in', 'ft in', 'kg', 'lb', 'st lb'))
);
--> statement-breakpoint
ALTER TABLE "readings" ADD COLUMN "corrected_by" double precision;--> statement-breakpoint
ALTER TABLE "instrument_checks" ADD COLUMN "closing_force" double precision;--> statement-breakpoint
ALTER TABLE "instruments" ADD COLUMN "is_corrected" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "zero_checks" ADD CONSTRAINT "zero_checks_instrument_id_instruments_id_fk" FOREIGN KEY ("instrument_id") REFERENCES "public"."instruments"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "other_results" ADD CONSTRAINT "other_results_client_id_clients_id_fk" FOREIGN KEY ("client_id") REFERENCES "public"."clients"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "studies" ADD CONSTRAINT "studies_tester_id_people_id_fk" FOREIGN KEY ("tester_id") REFERENCES "public"."people"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "studies" ADD CONSTRAINT "studies_reference_id_people_id_fk" FOREIGN KEY ("reference_id") REFERENCES "public"."people"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "studies" ADD CONSTRAINT "studies_caliper_id_instruments_id_fk" FOREIGN KEY ("caliper_id") REFERENCES "public"."instruments"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "studies" ADD CONSTRAINT "studies_tape_id_instruments_id_fk" FOREIGN KEY ("tape_id") REFERENCES "public"."instruments"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "study_trials" ADD CONSTRAINT "study_trials_study_id_studies_id_fk" FOREIGN KEY ("study_id") REFERENCES "public"."studies"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "study_trials" ADD CONSTRAINT "study_trials_tester_id_people_id_fk" FOREIGN KEY ("tester_id") REFERENCES "public"."people"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "zero_checks_instrument" ON "zero_checks" USING btree ("instrument_id","checked_on");--> statement-breakpoint
CREATE INDEX "other_results_client" ON "other_results" USING btree ("client_id","measured_on");--> statement-breakpoint
CREATE INDEX "study_trials_study" ON "study_trials" USING btree ("study_id","position");--> statement-breakpoint
CREATE INDEX "study_trials_tester" ON "study_trials" USING btree ("tester_id");--> statement-breakpoint
CREATE TRIGGER study_trials_append_only BEFORE UPDATE ON "study_trials" FOR EACH ROW EXECUTE FUNCTION refuse_update();
