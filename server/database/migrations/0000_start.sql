CREATE TABLE "check_ins" (
	"id" uuid PRIMARY KEY NOT NULL,
	"client_id" uuid NOT NULL,
	"coach_id" uuid NOT NULL,
	"caliper_id" uuid,
	"scale_id" uuid,
	"protocol_id" text NOT NULL,
	"conversion" text NOT NULL,
	"measured_on" date NOT NULL,
	"started_at" timestamp with time zone NOT NULL,
	"closed_at" timestamp with time zone,
	CONSTRAINT "check_ins_conversion" CHECK ("check_ins"."conversion" in ('siri', 'brozek'))
);
--> statement-breakpoint
CREATE TABLE "clients" (
	"id" uuid PRIMARY KEY NOT NULL,
	"name" text NOT NULL,
	"sex" text NOT NULL,
	"birth_date" date NOT NULL,
	"cadence_days" integer NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "clients_sex" CHECK ("clients"."sex" in ('male', 'female')),
	CONSTRAINT "clients_cadence" CHECK ("clients"."cadence_days" between 1 and 365)
);
--> statement-breakpoint
CREATE TABLE "coaches" (
	"id" uuid PRIMARY KEY NOT NULL,
	"name" text NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "heights" (
	"id" uuid PRIMARY KEY NOT NULL,
	"client_id" uuid NOT NULL,
	"value_cm" double precision NOT NULL,
	"unit" text NOT NULL,
	"typed" text NOT NULL,
	"taken_on" date NOT NULL,
	"stored_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "instruments" (
	"id" uuid PRIMARY KEY NOT NULL,
	"kind" text NOT NULL,
	"name" text NOT NULL,
	"graduation" double precision,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "instruments_kind" CHECK ("instruments"."kind" in ('caliper', 'tape', 'scale'))
);
--> statement-breakpoint
CREATE TABLE "readings" (
	"id" uuid PRIMARY KEY NOT NULL,
	"position" bigint GENERATED ALWAYS AS IDENTITY (sequence name "readings_position_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 9223372036854775807 START WITH 1 CACHE 1),
	"check_in_id" uuid NOT NULL,
	"kind" text NOT NULL,
	"site" text,
	"school" text,
	"pass" integer NOT NULL,
	"value" double precision NOT NULL,
	"unit" text NOT NULL,
	"typed" text NOT NULL,
	"coach_id" uuid NOT NULL,
	"instrument_id" uuid,
	"taken_at" timestamp with time zone NOT NULL,
	"stored_at" timestamp with time zone DEFAULT now() NOT NULL,
	"supersedes" uuid,
	CONSTRAINT "readings_kind" CHECK ("readings"."kind" in ('skinfold', 'girth', 'mass', 'height')),
	CONSTRAINT "readings_pass" CHECK ("readings"."pass" between 1 and 9)
);
--> statement-breakpoint
ALTER TABLE "check_ins" ADD CONSTRAINT "check_ins_client_id_clients_id_fk" FOREIGN KEY ("client_id") REFERENCES "public"."clients"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "check_ins" ADD CONSTRAINT "check_ins_coach_id_coaches_id_fk" FOREIGN KEY ("coach_id") REFERENCES "public"."coaches"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "check_ins" ADD CONSTRAINT "check_ins_caliper_id_instruments_id_fk" FOREIGN KEY ("caliper_id") REFERENCES "public"."instruments"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "check_ins" ADD CONSTRAINT "check_ins_scale_id_instruments_id_fk" FOREIGN KEY ("scale_id") REFERENCES "public"."instruments"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "heights" ADD CONSTRAINT "heights_client_id_clients_id_fk" FOREIGN KEY ("client_id") REFERENCES "public"."clients"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "readings" ADD CONSTRAINT "readings_check_in_id_check_ins_id_fk" FOREIGN KEY ("check_in_id") REFERENCES "public"."check_ins"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "readings" ADD CONSTRAINT "readings_coach_id_coaches_id_fk" FOREIGN KEY ("coach_id") REFERENCES "public"."coaches"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "readings" ADD CONSTRAINT "readings_instrument_id_instruments_id_fk" FOREIGN KEY ("instrument_id") REFERENCES "public"."instruments"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "readings" ADD CONSTRAINT "readings_supersedes_readings_id_fk" FOREIGN KEY ("supersedes") REFERENCES "public"."readings"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "check_ins_client" ON "check_ins" USING btree ("client_id","measured_on");--> statement-breakpoint
CREATE INDEX "heights_client" ON "heights" USING btree ("client_id","taken_on");--> statement-breakpoint
CREATE INDEX "readings_check_in" ON "readings" USING btree ("check_in_id","position");