-- Every table anew under its name of the trade, with the constraints that keep nonsense out; what was there is copied.
CREATE SCHEMA "before_0007";
--> statement-breakpoint
ALTER TABLE "clients" SET SCHEMA "before_0007";
--> statement-breakpoint
ALTER TABLE "coaches" SET SCHEMA "before_0007";
--> statement-breakpoint
ALTER TABLE "heights" SET SCHEMA "before_0007";
--> statement-breakpoint
ALTER TABLE "instruments" SET SCHEMA "before_0007";
--> statement-breakpoint
ALTER TABLE "instrument_checks" SET SCHEMA "before_0007";
--> statement-breakpoint
ALTER TABLE "settings" SET SCHEMA "before_0007";
--> statement-breakpoint
ALTER TABLE "own_protocols" SET SCHEMA "before_0007";
--> statement-breakpoint
ALTER TABLE "screenings" SET SCHEMA "before_0007";
--> statement-breakpoint
ALTER TABLE "marks" SET SCHEMA "before_0007";
--> statement-breakpoint
ALTER TABLE "check_ins" SET SCHEMA "before_0007";
--> statement-breakpoint
ALTER TABLE "readings" SET SCHEMA "before_0007";
--> statement-breakpoint
ALTER TABLE "record_events" SET SCHEMA "before_0007";
--> statement-breakpoint
ALTER TABLE "weigh_ins" SET SCHEMA "before_0007";
--> statement-breakpoint
ALTER TABLE "client_events" SET SCHEMA "before_0007";
--> statement-breakpoint
ALTER TABLE "photos" SET SCHEMA "before_0007";
--> statement-breakpoint
ALTER TABLE "groups" SET SCHEMA "before_0007";
--> statement-breakpoint
ALTER TABLE "group_members" SET SCHEMA "before_0007";
--> statement-breakpoint
ALTER TABLE "plans" SET SCHEMA "before_0007";
--> statement-breakpoint
CREATE TABLE "audit_log" (
	"id" bigint PRIMARY KEY GENERATED ALWAYS AS IDENTITY (sequence name "audit_log_id_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 9223372036854775807 START WITH 1 CACHE 1),
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	"actor" text NOT NULL,
	"subject" text NOT NULL,
	"client_id" uuid NOT NULL,
	"check_in_id" uuid,
	"field" text NOT NULL,
	"old" jsonb,
	"new" jsonb,
	"reason" text,
	CONSTRAINT "audit_log_subject" CHECK ("audit_log"."subject" in ('client', 'check-in', 'reading'))
);
--> statement-breakpoint
CREATE TABLE "check_in_conditions" (
	"check_in_id" uuid NOT NULL,
	"condition" text NOT NULL,
	"value" text NOT NULL,
	CONSTRAINT "check_in_conditions_check_in_id_condition_pk" PRIMARY KEY("check_in_id","condition")
);
--> statement-breakpoint
CREATE TABLE "check_in_extra_girths" (
	"check_in_id" uuid NOT NULL,
	"girth" text NOT NULL,
	"position" bigint GENERATED ALWAYS AS IDENTITY (sequence name "check_in_extra_girths_position_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 9223372036854775807 START WITH 1 CACHE 1),
	CONSTRAINT "check_in_extra_girths_check_in_id_girth_pk" PRIMARY KEY("check_in_id","girth")
);
--> statement-breakpoint
CREATE TABLE "check_in_revisions" (
	"check_in_id" uuid NOT NULL,
	"field" text NOT NULL,
	"revision" integer NOT NULL,
	"window" uuid,
	CONSTRAINT "check_in_revisions_check_in_id_field_pk" PRIMARY KEY("check_in_id","field")
);
--> statement-breakpoint
CREATE TABLE "check_in_skips" (
	"check_in_id" uuid NOT NULL,
	"site" text NOT NULL,
	"reason" text NOT NULL,
	CONSTRAINT "check_in_skips_check_in_id_site_pk" PRIMARY KEY("check_in_id","site")
);
--> statement-breakpoint
CREATE TABLE "check_ins" (
	"id" uuid PRIMARY KEY NOT NULL,
	"client_id" uuid NOT NULL,
	"tester_id" uuid NOT NULL,
	"caliper_id" uuid,
	"tape_id" uuid,
	"scale_id" uuid,
	"protocol_id" text NOT NULL,
	"own_protocol" jsonb,
	"tolerance" jsonb,
	"consent" jsonb,
	"mass_dry" boolean,
	"from_paper" boolean DEFAULT false NOT NULL,
	"voided_at" timestamp with time zone,
	"void_reason" text,
	"conversion" text NOT NULL,
	"measured_on" date NOT NULL,
	"started_at" timestamp with time zone NOT NULL,
	"closed_at" timestamp with time zone,
	"revision" integer DEFAULT 0 NOT NULL,
	CONSTRAINT "check_ins_conversion" CHECK ("check_ins"."conversion" in ('siri', 'brozek')),
	CONSTRAINT "check_ins_void" CHECK (("check_ins"."voided_at" is null) = ("check_ins"."void_reason" is null))
);
--> statement-breakpoint
CREATE TABLE "readings" (
	"id" uuid PRIMARY KEY NOT NULL,
	"position" bigint GENERATED ALWAYS AS IDENTITY (sequence name "readings_position_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 9223372036854775807 START WITH 1 CACHE 1),
	"check_in_id" uuid NOT NULL,
	"kind" text NOT NULL,
	"site" text,
	"standard" text,
	"trial" integer NOT NULL,
	"value_canonical" double precision NOT NULL,
	"typed_unit" text NOT NULL,
	"typed_text" text NOT NULL,
	"tester_id" uuid NOT NULL,
	"instrument_id" uuid,
	"taken_at" timestamp with time zone NOT NULL,
	"stored_at" timestamp with time zone DEFAULT now() NOT NULL,
	"supersedes" uuid,
	CONSTRAINT "readings_of_check_in" UNIQUE("check_in_id","id"),
	CONSTRAINT "readings_superseded_once" UNIQUE("supersedes"),
	CONSTRAINT "readings_kind" CHECK ("readings"."kind" in ('skinfold', 'girth', 'mass', 'height')),
	CONSTRAINT "readings_trial" CHECK ("readings"."trial" between 1 and 9),
	CONSTRAINT "readings_value" CHECK ("readings"."value_canonical" > 0 and "readings"."value_canonical" < 1000),
	CONSTRAINT "readings_typed_unit" CHECK ("readings"."typed_unit" in ('mm', 'cm', 'm', 'in', 'ft in', 'kg', 'lb', 'st lb')),
	CONSTRAINT "readings_standard" CHECK ("readings"."standard" in ('us', 'int', 'dw', 'gym')),
	CONSTRAINT "readings_site" CHECK (("readings"."site" is not null) = ("readings"."kind" in ('skinfold', 'girth')) and ("readings"."standard" is not null) = ("readings"."kind" = 'skinfold'))
);
--> statement-breakpoint
CREATE TABLE "clients" (
	"id" uuid PRIMARY KEY NOT NULL,
	"name" text NOT NULL,
	"sex" text NOT NULL,
	"birth_date" date NOT NULL,
	"cadence_days" integer NOT NULL,
	"show_percentages" boolean DEFAULT true NOT NULL,
	"cycle_wanted" boolean DEFAULT false NOT NULL,
	"hidden_on_leaderboards" boolean DEFAULT false NOT NULL,
	"next_due_on" date,
	"archived_at" timestamp with time zone,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "clients_sex" CHECK ("clients"."sex" in ('male', 'female')),
	CONSTRAINT "clients_cadence" CHECK ("clients"."cadence_days" between 1 and 365),
	CONSTRAINT "clients_name" CHECK ("clients"."name" <> '')
);
--> statement-breakpoint
CREATE TABLE "heights" (
	"id" uuid PRIMARY KEY NOT NULL,
	"client_id" uuid NOT NULL,
	"value_cm" double precision NOT NULL,
	"typed_unit" text NOT NULL,
	"typed_text" text NOT NULL,
	"taken_on" date NOT NULL,
	"stored_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "heights_typed_unit" CHECK ("heights"."typed_unit" in ('mm', 'cm', 'm', 'in', 'ft in', 'kg', 'lb', 'st lb')),
	CONSTRAINT "heights_range" CHECK ("heights"."value_cm" between 30 and 300)
);
--> statement-breakpoint
CREATE TABLE "screenings" (
	"id" uuid PRIMARY KEY NOT NULL,
	"position" bigint GENERATED ALWAYS AS IDENTITY (sequence name "screenings_position_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 9223372036854775807 START WITH 1 CACHE 1),
	"client_id" uuid NOT NULL,
	"answers" jsonb NOT NULL,
	"reviewed_on" date NOT NULL,
	"stored_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "site_notes" (
	"id" uuid PRIMARY KEY NOT NULL,
	"position" bigint GENERATED ALWAYS AS IDENTITY (sequence name "site_notes_position_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 9223372036854775807 START WITH 1 CACHE 1),
	"client_id" uuid NOT NULL,
	"site" text NOT NULL,
	"standard" text,
	"text" text NOT NULL,
	"side" text NOT NULL,
	"stored_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "site_notes_side" CHECK ("site_notes"."side" in ('right', 'left')),
	CONSTRAINT "site_notes_standard" CHECK ("site_notes"."standard" in ('us', 'int', 'dw', 'gym'))
);
--> statement-breakpoint
CREATE TABLE "instrument_check_points" (
	"check_id" uuid NOT NULL,
	"place" integer NOT NULL,
	"known" double precision NOT NULL,
	"read" double precision NOT NULL,
	CONSTRAINT "instrument_check_points_check_id_place_pk" PRIMARY KEY("check_id","place"),
	CONSTRAINT "instrument_check_points_range" CHECK ("instrument_check_points"."known" > 0 and "instrument_check_points"."read" >= 0)
);
--> statement-breakpoint
CREATE TABLE "instrument_checks" (
	"id" uuid PRIMARY KEY NOT NULL,
	"instrument_id" uuid NOT NULL,
	"checked_on" date NOT NULL,
	"stored_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "instruments" (
	"id" uuid PRIMARY KEY NOT NULL,
	"kind" text NOT NULL,
	"name" text NOT NULL,
	"graduation" double precision,
	"jaws" text,
	"check_every_days" integer DEFAULT 180 NOT NULL,
	"retired_at" timestamp with time zone,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "instruments_kind" CHECK ("instruments"."kind" in ('caliper', 'tape', 'scale')),
	CONSTRAINT "instruments_jaws" CHECK ("instruments"."jaws" in ('spring', 'hand', 'click')),
	CONSTRAINT "instruments_graduation" CHECK ("instruments"."graduation" > 0 and "instruments"."graduation" <= 5),
	CONSTRAINT "instruments_check_every_days" CHECK ("instruments"."check_every_days" between 1 and 1000)
);
--> statement-breakpoint
CREATE TABLE "own_protocols" (
	"id" text PRIMARY KEY NOT NULL,
	"definition" jsonb NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"retired_at" timestamp with time zone
);
--> statement-breakpoint
CREATE TABLE "settings" (
	"id" integer PRIMARY KEY NOT NULL,
	"default_protocol_id" text DEFAULT 'seven-fold' NOT NULL,
	"standard" text DEFAULT 'us' NOT NULL,
	"tolerance" jsonb,
	"tester_id" uuid,
	"caliper_id" uuid,
	"tape_id" uuid,
	"scale_id" uuid,
	CONSTRAINT "settings_one_row" CHECK ("settings"."id" = 1),
	CONSTRAINT "settings_standard" CHECK ("settings"."standard" in ('us', 'int', 'dw', 'gym'))
);
--> statement-breakpoint
CREATE TABLE "people" (
	"id" uuid PRIMARY KEY NOT NULL,
	"name" text NOT NULL,
	"skill" text DEFAULT 'trained' NOT NULL,
	"retired_at" timestamp with time zone,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "people_skill" CHECK ("people"."skill" in ('trained', 'novice'))
);
--> statement-breakpoint
CREATE TABLE "client_notes" (
	"id" uuid PRIMARY KEY NOT NULL,
	"client_id" uuid NOT NULL,
	"date" date NOT NULL,
	"kind" text NOT NULL,
	"words" text NOT NULL,
	"removed_at" timestamp with time zone,
	"stored_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "client_notes_kind" CHECK ("client_notes"."kind" in ('phase', 'holiday', 'injury', 'illness', 'other'))
);
--> statement-breakpoint
CREATE TABLE "leaderboard_members" (
	"leaderboard_id" uuid NOT NULL,
	"client_id" uuid NOT NULL,
	CONSTRAINT "leaderboard_members_leaderboard_id_client_id_pk" PRIMARY KEY("leaderboard_id","client_id")
);
--> statement-breakpoint
CREATE TABLE "leaderboards" (
	"id" uuid PRIMARY KEY NOT NULL,
	"name" text NOT NULL,
	"starts_on" date NOT NULL,
	"ends_on" date NOT NULL,
	"measure" text NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "leaderboards_measure" CHECK ("leaderboards"."measure" in ('fatPercent', 'fatMass', 'sum', 'recomposition')),
	CONSTRAINT "leaderboards_period" CHECK ("leaderboards"."starts_on" < "leaderboards"."ends_on")
);
--> statement-breakpoint
CREATE TABLE "photos" (
	"id" uuid PRIMARY KEY NOT NULL,
	"client_id" uuid NOT NULL,
	"view" text NOT NULL,
	"taken_on" date NOT NULL,
	"type" text NOT NULL,
	"width" integer NOT NULL,
	"height" integer NOT NULL,
	"crown" jsonb,
	"ground_point" jsonb,
	"stored_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "photos_view" CHECK ("photos"."view" in ('front', 'side', 'back')),
	CONSTRAINT "photos_size" CHECK ("photos"."width" > 0 and "photos"."height" > 0)
);
--> statement-breakpoint
CREATE TABLE "plans" (
	"id" uuid PRIMARY KEY NOT NULL,
	"client_id" uuid NOT NULL,
	"started_on" date NOT NULL,
	"definition" jsonb NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"replaced_at" timestamp with time zone
);
--> statement-breakpoint
CREATE TABLE "weigh_ins" (
	"id" uuid PRIMARY KEY NOT NULL,
	"position" bigint GENERATED ALWAYS AS IDENTITY (sequence name "weigh_ins_position_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 9223372036854775807 START WITH 1 CACHE 1),
	"client_id" uuid NOT NULL,
	"date" date NOT NULL,
	"kg" double precision,
	"typed_unit" text NOT NULL,
	"typed_text" text NOT NULL,
	"stored_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "weigh_ins_kg" CHECK ("weigh_ins"."kg" > 0 and "weigh_ins"."kg" < 1000)
);
--> statement-breakpoint
ALTER TABLE "audit_log" ADD CONSTRAINT "audit_log_client_id_clients_id_fk" FOREIGN KEY ("client_id") REFERENCES "public"."clients"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "audit_log" ADD CONSTRAINT "audit_log_check_in_id_check_ins_id_fk" FOREIGN KEY ("check_in_id") REFERENCES "public"."check_ins"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "check_in_conditions" ADD CONSTRAINT "check_in_conditions_check_in_id_check_ins_id_fk" FOREIGN KEY ("check_in_id") REFERENCES "public"."check_ins"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "check_in_extra_girths" ADD CONSTRAINT "check_in_extra_girths_check_in_id_check_ins_id_fk" FOREIGN KEY ("check_in_id") REFERENCES "public"."check_ins"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "check_in_revisions" ADD CONSTRAINT "check_in_revisions_check_in_id_check_ins_id_fk" FOREIGN KEY ("check_in_id") REFERENCES "public"."check_ins"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "check_in_skips" ADD CONSTRAINT "check_in_skips_check_in_id_check_ins_id_fk" FOREIGN KEY ("check_in_id") REFERENCES "public"."check_ins"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "check_ins" ADD CONSTRAINT "check_ins_client_id_clients_id_fk" FOREIGN KEY ("client_id") REFERENCES "public"."clients"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "check_ins" ADD CONSTRAINT "check_ins_tester_id_people_id_fk" FOREIGN KEY ("tester_id") REFERENCES "public"."people"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "check_ins" ADD CONSTRAINT "check_ins_caliper_id_instruments_id_fk" FOREIGN KEY ("caliper_id") REFERENCES "public"."instruments"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "check_ins" ADD CONSTRAINT "check_ins_tape_id_instruments_id_fk" FOREIGN KEY ("tape_id") REFERENCES "public"."instruments"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "check_ins" ADD CONSTRAINT "check_ins_scale_id_instruments_id_fk" FOREIGN KEY ("scale_id") REFERENCES "public"."instruments"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "readings" ADD CONSTRAINT "readings_check_in_id_check_ins_id_fk" FOREIGN KEY ("check_in_id") REFERENCES "public"."check_ins"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "readings" ADD CONSTRAINT "readings_tester_id_people_id_fk" FOREIGN KEY ("tester_id") REFERENCES "public"."people"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "readings" ADD CONSTRAINT "readings_instrument_id_instruments_id_fk" FOREIGN KEY ("instrument_id") REFERENCES "public"."instruments"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "readings" ADD CONSTRAINT "readings_supersedes_fk" FOREIGN KEY ("check_in_id","supersedes") REFERENCES "public"."readings"("check_in_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "heights" ADD CONSTRAINT "heights_client_id_clients_id_fk" FOREIGN KEY ("client_id") REFERENCES "public"."clients"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "screenings" ADD CONSTRAINT "screenings_client_id_clients_id_fk" FOREIGN KEY ("client_id") REFERENCES "public"."clients"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "site_notes" ADD CONSTRAINT "site_notes_client_id_clients_id_fk" FOREIGN KEY ("client_id") REFERENCES "public"."clients"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "instrument_check_points" ADD CONSTRAINT "instrument_check_points_check_id_instrument_checks_id_fk" FOREIGN KEY ("check_id") REFERENCES "public"."instrument_checks"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "instrument_checks" ADD CONSTRAINT "instrument_checks_instrument_id_instruments_id_fk" FOREIGN KEY ("instrument_id") REFERENCES "public"."instruments"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "settings" ADD CONSTRAINT "settings_tester_id_people_id_fk" FOREIGN KEY ("tester_id") REFERENCES "public"."people"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "settings" ADD CONSTRAINT "settings_caliper_id_instruments_id_fk" FOREIGN KEY ("caliper_id") REFERENCES "public"."instruments"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "settings" ADD CONSTRAINT "settings_tape_id_instruments_id_fk" FOREIGN KEY ("tape_id") REFERENCES "public"."instruments"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "settings" ADD CONSTRAINT "settings_scale_id_instruments_id_fk" FOREIGN KEY ("scale_id") REFERENCES "public"."instruments"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "client_notes" ADD CONSTRAINT "client_notes_client_id_clients_id_fk" FOREIGN KEY ("client_id") REFERENCES "public"."clients"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "leaderboard_members" ADD CONSTRAINT "leaderboard_members_leaderboard_id_leaderboards_id_fk" FOREIGN KEY ("leaderboard_id") REFERENCES "public"."leaderboards"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "leaderboard_members" ADD CONSTRAINT "leaderboard_members_client_id_clients_id_fk" FOREIGN KEY ("client_id") REFERENCES "public"."clients"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "photos" ADD CONSTRAINT "photos_client_id_clients_id_fk" FOREIGN KEY ("client_id") REFERENCES "public"."clients"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "plans" ADD CONSTRAINT "plans_client_id_clients_id_fk" FOREIGN KEY ("client_id") REFERENCES "public"."clients"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "weigh_ins" ADD CONSTRAINT "weigh_ins_client_id_clients_id_fk" FOREIGN KEY ("client_id") REFERENCES "public"."clients"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "audit_log_client" ON "audit_log" USING btree ("client_id","at");--> statement-breakpoint
CREATE INDEX "audit_log_check_in" ON "audit_log" USING btree ("check_in_id");--> statement-breakpoint
CREATE INDEX "check_ins_client" ON "check_ins" USING btree ("client_id","measured_on");--> statement-breakpoint
CREATE INDEX "check_ins_tester" ON "check_ins" USING btree ("tester_id");--> statement-breakpoint
CREATE UNIQUE INDEX "check_ins_one_open" ON "check_ins" USING btree ("client_id") WHERE closed_at is null and voided_at is null and not from_paper;--> statement-breakpoint
CREATE INDEX "readings_check_in" ON "readings" USING btree ("check_in_id","position");--> statement-breakpoint
CREATE INDEX "readings_tester" ON "readings" USING btree ("tester_id","trial","position");--> statement-breakpoint
CREATE INDEX "readings_instrument" ON "readings" USING btree ("instrument_id");--> statement-breakpoint
CREATE INDEX "clients_by_name" ON "clients" USING btree ("name","id");--> statement-breakpoint
CREATE INDEX "heights_client" ON "heights" USING btree ("client_id","taken_on");--> statement-breakpoint
CREATE INDEX "screenings_client" ON "screenings" USING btree ("client_id","position");--> statement-breakpoint
CREATE INDEX "site_notes_client" ON "site_notes" USING btree ("client_id");--> statement-breakpoint
CREATE INDEX "instrument_checks_instrument" ON "instrument_checks" USING btree ("instrument_id","checked_on");--> statement-breakpoint
CREATE INDEX "client_notes_client" ON "client_notes" USING btree ("client_id","date");--> statement-breakpoint
CREATE INDEX "leaderboard_members_client" ON "leaderboard_members" USING btree ("client_id");--> statement-breakpoint
CREATE UNIQUE INDEX "photos_one_a_view_and_day" ON "photos" USING btree ("client_id","taken_on","view");--> statement-breakpoint
CREATE INDEX "plans_client" ON "plans" USING btree ("client_id","created_at");--> statement-breakpoint
CREATE UNIQUE INDEX "plans_one_in_force" ON "plans" USING btree ("client_id") WHERE replaced_at is null;--> statement-breakpoint
CREATE INDEX "weigh_ins_client" ON "weigh_ins" USING btree ("client_id","date","position");
--> statement-breakpoint
CREATE FUNCTION before_0007.renamed(own jsonb) RETURNS jsonb LANGUAGE sql IMMUTABLE AS $$
  SELECT CASE WHEN own IS NULL THEN NULL ELSE (own - 'school' - 'passes')
    || jsonb_build_object('standard', coalesce(own -> 'standard', own -> 'school'), 'rounds', coalesce(own -> 'rounds', own -> 'passes')) END
$$;
--> statement-breakpoint
INSERT INTO people (id, name, skill, retired_at, created_at)
SELECT id, name, skill, retired_at, created_at FROM before_0007.coaches;
--> statement-breakpoint
INSERT INTO clients (id, name, sex, birth_date, cadence_days, show_percentages, cycle_wanted, hidden_on_leaderboards, next_due_on, archived_at, created_at)
SELECT id, name, sex, birth_date, cadence_days, show_percentages, cycle_wanted, hidden_on_boards, next_due_on, archived_at, created_at FROM before_0007.clients;
--> statement-breakpoint
INSERT INTO heights (id, client_id, value_cm, typed_unit, typed_text, taken_on, stored_at)
SELECT id, client_id, value_cm, unit, typed, taken_on, stored_at FROM before_0007.heights;
--> statement-breakpoint
INSERT INTO instruments (id, kind, name, graduation, jaws, check_every_days, retired_at, created_at)
SELECT id, kind, name, graduation, jaws, check_every_days, retired_at, created_at FROM before_0007.instruments;
--> statement-breakpoint
INSERT INTO instrument_checks (id, instrument_id, checked_on, stored_at)
SELECT id, instrument_id, checked_on, stored_at FROM before_0007.instrument_checks;
--> statement-breakpoint
INSERT INTO instrument_check_points (check_id, place, known, read)
SELECT c.id, p.place, (p.point ->> 'known')::float8, (p.point ->> 'read')::float8
FROM before_0007.instrument_checks c, jsonb_array_elements(c.points) WITH ORDINALITY p(point, place);
--> statement-breakpoint
INSERT INTO settings (id, default_protocol_id, standard, tolerance, tester_id, caliper_id, tape_id, scale_id)
SELECT id, default_protocol_id, school, tolerance, coach_id, caliper_id, tape_id, scale_id FROM before_0007.settings;
--> statement-breakpoint
INSERT INTO own_protocols (id, definition, created_at, retired_at)
SELECT id, before_0007.renamed(definition), created_at, retired_at FROM before_0007.own_protocols;
--> statement-breakpoint
INSERT INTO screenings (id, client_id, answers, reviewed_on, stored_at)
SELECT id, client_id, answers, reviewed_on, stored_at FROM before_0007.screenings ORDER BY stored_at;
--> statement-breakpoint
INSERT INTO site_notes (id, client_id, site, standard, text, side, stored_at)
SELECT id, client_id, site, school, text, side, stored_at FROM before_0007.marks ORDER BY position;
--> statement-breakpoint
-- Where two were under way for one client, the older one is voided, with the reason.
INSERT INTO check_ins (id, client_id, tester_id, caliper_id, tape_id, scale_id, protocol_id, own_protocol, tolerance, consent, mass_dry, from_paper, voided_at, void_reason, conversion, measured_on, started_at, closed_at, revision)
SELECT id, client_id, coach_id, caliper_id, tape_id, scale_id, protocol_id, before_0007.renamed(own_protocol), tolerance, consent, mass_dry, from_paper,
  CASE WHEN place > 1 THEN coalesce(voided_at, now()) ELSE voided_at END,
  CASE WHEN voided_at IS NOT NULL THEN coalesce(void_reason, '') WHEN place > 1 THEN 'another check-in was under way' END,
  conversion, measured_on, started_at, closed_at, revision
FROM (SELECT c.*, CASE WHEN closed_at IS NULL AND voided_at IS NULL AND NOT from_paper
    THEN row_number() OVER (PARTITION BY client_id, closed_at IS NULL AND voided_at IS NULL AND NOT from_paper ORDER BY started_at DESC, id) ELSE 1 END AS place
  FROM before_0007.check_ins c) c;
--> statement-breakpoint
INSERT INTO check_in_skips (check_in_id, site, reason)
SELECT DISTINCT ON (c.id, s ->> 'site') c.id, s ->> 'site', s ->> 'reason'
FROM before_0007.check_ins c, jsonb_array_elements(c.skipped) s;
--> statement-breakpoint
INSERT INTO check_in_extra_girths (check_in_id, girth)
SELECT id, girth FROM (
  SELECT c.id, g.girth, min(g.place) AS place FROM before_0007.check_ins c, jsonb_array_elements_text(c.extra_girths) WITH ORDINALITY g(girth, place)
  GROUP BY c.id, g.girth) g ORDER BY id, place;
--> statement-breakpoint
INSERT INTO check_in_conditions (check_in_id, condition, value)
SELECT c.id, k.key, k.value FROM before_0007.check_ins c, jsonb_each_text(c.conditions) k WHERE k.value IS NOT NULL;
--> statement-breakpoint
-- Two corrections of one reading become a chain in the order in which they counted; what points elsewhere points nowhere.
INSERT INTO readings (id, position, check_in_id, kind, site, standard, trial, value_canonical, typed_unit, typed_text, tester_id, instrument_id, taken_at, stored_at, supersedes)
OVERRIDING SYSTEM VALUE
SELECT r.id, r.position, r.check_in_id, r.kind, r.site, r.school, r.pass, r.value, r.unit, r.typed, r.coach_id, r.instrument_id, r.taken_at, r.stored_at,
  CASE WHEN s.check_in_id = r.check_in_id AND s.kind = r.kind AND s.site IS NOT DISTINCT FROM r.site THEN coalesce(
    lag(r.id) OVER (PARTITION BY r.supersedes ORDER BY r.supersedes IS NULL, r.taken_at, r.id), r.supersedes) END
FROM before_0007.readings r
LEFT JOIN before_0007.readings s ON s.id = r.supersedes
ORDER BY r.position;
--> statement-breakpoint
SELECT setval(pg_get_serial_sequence('readings', 'position'), coalesce((SELECT max(position) FROM readings), 0) + 1, false);
--> statement-breakpoint
INSERT INTO audit_log (at, actor, subject, client_id, check_in_id, field, new)
SELECT at, 'this computer', CASE WHEN check_in_id IS NULL THEN 'client' ELSE 'check-in' END, client_id, check_in_id, 'in words', to_jsonb(words)
FROM before_0007.record_events ORDER BY at, id;
--> statement-breakpoint
INSERT INTO weigh_ins (id, client_id, date, kg, typed_unit, typed_text, stored_at)
SELECT id, client_id, date, kg, unit, typed, stored_at FROM before_0007.weigh_ins ORDER BY position;
--> statement-breakpoint
INSERT INTO client_notes (id, client_id, date, kind, words, removed_at, stored_at)
SELECT id, client_id, date, kind, words, removed_at, stored_at FROM before_0007.client_events;
--> statement-breakpoint
INSERT INTO photos (id, client_id, view, taken_on, type, width, height, crown, ground_point, stored_at)
SELECT DISTINCT ON (client_id, taken_on, view) id, client_id, view, taken_on, type, width, height, crown, floor, stored_at
FROM before_0007.photos ORDER BY client_id, taken_on, view, stored_at DESC;
--> statement-breakpoint
INSERT INTO plans (id, client_id, started_on, definition, created_at, replaced_at)
SELECT id, client_id, started_on, definition, created_at,
  CASE WHEN replaced_at IS NULL AND row_number() OVER (PARTITION BY client_id, replaced_at IS NULL ORDER BY created_at DESC, id) > 1 THEN now() ELSE replaced_at END
FROM before_0007.plans;
--> statement-breakpoint
INSERT INTO leaderboards (id, name, starts_on, ends_on, measure, created_at)
SELECT id, name, starts_on, ends_on, CASE measure WHEN 'netSwing' THEN 'recomposition' ELSE measure END, created_at FROM before_0007.groups;
--> statement-breakpoint
INSERT INTO leaderboard_members (leaderboard_id, client_id)
SELECT group_id, client_id FROM before_0007.group_members;
--> statement-breakpoint
DROP SCHEMA before_0007 CASCADE;
--> statement-breakpoint
DROP FUNCTION IF EXISTS public.refuse_reading_update() CASCADE;
--> statement-breakpoint
-- A row of the record is never overwritten: a correction is a new row that supersedes the old one.
CREATE FUNCTION refuse_update() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  RAISE EXCEPTION '% is append-only: row % stays as it is', TG_TABLE_NAME, OLD.id;
END
$$;
--> statement-breakpoint
CREATE TRIGGER readings_append_only BEFORE UPDATE ON "readings" FOR EACH ROW EXECUTE FUNCTION refuse_update();
--> statement-breakpoint
CREATE TRIGGER audit_log_append_only BEFORE UPDATE ON "audit_log" FOR EACH ROW EXECUTE FUNCTION refuse_update();
--> statement-breakpoint
-- The readings that count: not superseded, and of two in one box the later. The core has the same rule (readings/reading.ts).
CREATE VIEW readings_in_force AS
SELECT r.* FROM readings r
WHERE NOT EXISTS (SELECT 1 FROM readings s WHERE s.supersedes = r.id)
  AND NOT EXISTS (SELECT 1 FROM readings q
    WHERE q.check_in_id = r.check_in_id AND q.kind = r.kind AND q.trial = r.trial
      AND q.site IS NOT DISTINCT FROM r.site AND q.standard IS NOT DISTINCT FROM r.standard
      AND (q.taken_at, q.id) > (r.taken_at, r.id)
      AND NOT EXISTS (SELECT 1 FROM readings s WHERE s.supersedes = q.id));
--> statement-breakpoint
-- Every height of a client: those on record, and the mean of each check-in's height readings.
CREATE VIEW client_heights AS
SELECT c.client_id, avg(r.value_canonical)::float8 AS cm, min(r.typed_unit) AS typed_unit, c.measured_on AS taken_on,
  c.id AS check_in_id, max(r.stored_at) AS stored_at
FROM readings_in_force r JOIN check_ins c ON c.id = r.check_in_id
WHERE r.kind = 'height' AND c.voided_at IS NULL
GROUP BY c.id
UNION ALL
SELECT client_id, value_cm, typed_unit, taken_on, NULL, stored_at FROM heights;
--> statement-breakpoint
-- When each client was last measured and is due again. The core has the same rule (schedule/due.ts).
CREATE VIEW client_standings AS
SELECT c.id AS client_id, l.last_on,
  CASE WHEN c.next_due_on IS NOT NULL AND (l.last_on IS NULL OR c.next_due_on > l.last_on) THEN c.next_due_on
    ELSE l.last_on + c.cadence_days END AS due_on,
  (c.next_due_on IS NOT NULL AND (l.last_on IS NULL OR c.next_due_on > l.last_on)) AS moved
FROM clients c
LEFT JOIN LATERAL (SELECT k.measured_on AS last_on FROM check_ins k
  WHERE k.client_id = c.id AND k.closed_at IS NOT NULL AND k.voided_at IS NULL
  ORDER BY k.measured_on DESC LIMIT 1) l ON true;
