CREATE TABLE "instrument_checks" (
	"id" uuid PRIMARY KEY NOT NULL,
	"instrument_id" uuid NOT NULL,
	"checked_on" date NOT NULL,
	"points" jsonb NOT NULL,
	"stored_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "marks" (
	"id" uuid PRIMARY KEY NOT NULL,
	"position" bigint GENERATED ALWAYS AS IDENTITY (sequence name "marks_position_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 9223372036854775807 START WITH 1 CACHE 1),
	"client_id" uuid NOT NULL,
	"site" text NOT NULL,
	"school" text,
	"text" text NOT NULL,
	"side" text NOT NULL,
	"stored_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "own_protocols" (
	"id" text PRIMARY KEY NOT NULL,
	"definition" jsonb NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"retired_at" timestamp with time zone
);
--> statement-breakpoint
CREATE TABLE "record_events" (
	"id" uuid PRIMARY KEY NOT NULL,
	"client_id" uuid NOT NULL,
	"check_in_id" uuid,
	"coach_id" uuid,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	"words" text NOT NULL
);
--> statement-breakpoint
CREATE TABLE "screenings" (
	"id" uuid PRIMARY KEY NOT NULL,
	"client_id" uuid NOT NULL,
	"answers" jsonb NOT NULL,
	"reviewed_on" date NOT NULL,
	"stored_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "settings" (
	"id" integer PRIMARY KEY NOT NULL,
	"default_protocol_id" text DEFAULT 'seven-fold' NOT NULL,
	"school" text DEFAULT 'us' NOT NULL,
	"tolerance" jsonb,
	"coach_id" uuid,
	"caliper_id" uuid,
	"tape_id" uuid,
	"scale_id" uuid,
	CONSTRAINT "settings_one_row" CHECK ("settings"."id" = 1)
);
--> statement-breakpoint
ALTER TABLE "check_ins" ADD COLUMN "tape_id" uuid;--> statement-breakpoint
ALTER TABLE "check_ins" ADD COLUMN "own_protocol" jsonb;--> statement-breakpoint
ALTER TABLE "check_ins" ADD COLUMN "tolerance" jsonb;--> statement-breakpoint
ALTER TABLE "check_ins" ADD COLUMN "extra_girths" jsonb DEFAULT '[]'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "check_ins" ADD COLUMN "conditions" jsonb DEFAULT '{}'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "check_ins" ADD COLUMN "consent" jsonb;--> statement-breakpoint
ALTER TABLE "check_ins" ADD COLUMN "mass_dry" boolean;--> statement-breakpoint
ALTER TABLE "check_ins" ADD COLUMN "from_paper" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "check_ins" ADD COLUMN "voided_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "check_ins" ADD COLUMN "void_reason" text;--> statement-breakpoint
ALTER TABLE "clients" ADD COLUMN "show_percentages" boolean DEFAULT true NOT NULL;--> statement-breakpoint
ALTER TABLE "clients" ADD COLUMN "cycle_wanted" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "clients" ADD COLUMN "archived_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "coaches" ADD COLUMN "skill" text DEFAULT 'trained' NOT NULL;--> statement-breakpoint
ALTER TABLE "coaches" ADD COLUMN "retired_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "instruments" ADD COLUMN "jaws" text;--> statement-breakpoint
ALTER TABLE "instruments" ADD COLUMN "check_every_days" integer DEFAULT 180 NOT NULL;--> statement-breakpoint
ALTER TABLE "instruments" ADD COLUMN "retired_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "instrument_checks" ADD CONSTRAINT "instrument_checks_instrument_id_instruments_id_fk" FOREIGN KEY ("instrument_id") REFERENCES "public"."instruments"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "marks" ADD CONSTRAINT "marks_client_id_clients_id_fk" FOREIGN KEY ("client_id") REFERENCES "public"."clients"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "record_events" ADD CONSTRAINT "record_events_client_id_clients_id_fk" FOREIGN KEY ("client_id") REFERENCES "public"."clients"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "record_events" ADD CONSTRAINT "record_events_check_in_id_check_ins_id_fk" FOREIGN KEY ("check_in_id") REFERENCES "public"."check_ins"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "record_events" ADD CONSTRAINT "record_events_coach_id_coaches_id_fk" FOREIGN KEY ("coach_id") REFERENCES "public"."coaches"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "screenings" ADD CONSTRAINT "screenings_client_id_clients_id_fk" FOREIGN KEY ("client_id") REFERENCES "public"."clients"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "settings" ADD CONSTRAINT "settings_coach_id_coaches_id_fk" FOREIGN KEY ("coach_id") REFERENCES "public"."coaches"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "settings" ADD CONSTRAINT "settings_caliper_id_instruments_id_fk" FOREIGN KEY ("caliper_id") REFERENCES "public"."instruments"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "settings" ADD CONSTRAINT "settings_tape_id_instruments_id_fk" FOREIGN KEY ("tape_id") REFERENCES "public"."instruments"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "settings" ADD CONSTRAINT "settings_scale_id_instruments_id_fk" FOREIGN KEY ("scale_id") REFERENCES "public"."instruments"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "instrument_checks_instrument" ON "instrument_checks" USING btree ("instrument_id","checked_on");--> statement-breakpoint
CREATE INDEX "marks_client" ON "marks" USING btree ("client_id");--> statement-breakpoint
CREATE INDEX "record_events_client" ON "record_events" USING btree ("client_id","at");--> statement-breakpoint
CREATE INDEX "screenings_client" ON "screenings" USING btree ("client_id","stored_at");--> statement-breakpoint
ALTER TABLE "check_ins" ADD CONSTRAINT "check_ins_tape_id_instruments_id_fk" FOREIGN KEY ("tape_id") REFERENCES "public"."instruments"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "readings_supersedes" ON "readings" USING btree ("supersedes");--> statement-breakpoint
CREATE INDEX "readings_coach" ON "readings" USING btree ("coach_id","pass");