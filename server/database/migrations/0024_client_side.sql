CREATE TABLE "access"."share_links" (
	"id" uuid PRIMARY KEY NOT NULL,
	"client_id" uuid NOT NULL,
	"hash" text NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"created_by" text NOT NULL,
	"expires_at" timestamp with time zone NOT NULL,
	"ended_at" timestamp with time zone,
	"used_at" timestamp with time zone,
	CONSTRAINT "share_links_hash_unique" UNIQUE("hash")
);
--> statement-breakpoint
CREATE TABLE "appointments" (
	"id" uuid PRIMARY KEY NOT NULL,
	"client_id" uuid NOT NULL,
	"starts_at" timestamp with time zone NOT NULL,
	"minutes" integer NOT NULL,
	"words" text DEFAULT '' NOT NULL,
	"stored_at" timestamp with time zone DEFAULT now() NOT NULL,
	"cancelled_at" timestamp with time zone,
	CONSTRAINT "appointments_minutes" CHECK ("appointments"."minutes" between 5 and 720)
);
--> statement-breakpoint
CREATE TABLE "client_details" (
	"client_id" uuid PRIMARY KEY NOT NULL,
	"email" text,
	"phone" text,
	"goal" text,
	"sees" text DEFAULT 'nothing' NOT NULL,
	"sees_classes" boolean DEFAULT false NOT NULL,
	"asks" jsonb,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "client_details_sees" CHECK ("client_details"."sees" in ('everything', 'sums', 'mass', 'nothing'))
);
--> statement-breakpoint
CREATE TABLE "client_tags" (
	"client_id" uuid NOT NULL,
	"tag" text NOT NULL,
	CONSTRAINT "client_tags_client_id_tag_pk" PRIMARY KEY("client_id","tag"),
	CONSTRAINT "client_tags_tag_length" CHECK (length("client_tags"."tag") between 1 and 40)
);
--> statement-breakpoint
CREATE TABLE "self_girths" (
	"id" uuid PRIMARY KEY NOT NULL,
	"position" bigint GENERATED ALWAYS AS IDENTITY (sequence name "self_girths_position_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 9223372036854775807 START WITH 1 CACHE 1),
	"client_id" uuid NOT NULL,
	"date" date NOT NULL,
	"girth" text NOT NULL,
	"trial" smallint NOT NULL,
	"cm" double precision NOT NULL,
	"typed_unit" text NOT NULL,
	"typed_text" text NOT NULL,
	"report_id" uuid,
	"stored_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "self_girths_cm" CHECK ("self_girths"."cm" > 0 and "self_girths"."cm" < 1000),
	CONSTRAINT "self_girths_trial" CHECK ("self_girths"."trial" between 1 and 9)
);
--> statement-breakpoint
CREATE TABLE "session_notes" (
	"id" uuid PRIMARY KEY NOT NULL,
	"client_id" uuid NOT NULL,
	"date" date NOT NULL,
	"words" text NOT NULL,
	"written_by" text NOT NULL,
	"stored_at" timestamp with time zone DEFAULT now() NOT NULL,
	"removed_at" timestamp with time zone
);
--> statement-breakpoint
CREATE TABLE "weekly_reports" (
	"id" uuid PRIMARY KEY NOT NULL,
	"client_id" uuid NOT NULL,
	"ends_on" date NOT NULL,
	"content" jsonb NOT NULL,
	"way" text NOT NULL,
	"state" text DEFAULT 'waiting' NOT NULL,
	"talk" jsonb DEFAULT '[]'::jsonb NOT NULL,
	"sent_at" timestamp with time zone DEFAULT now() NOT NULL,
	"decided_at" timestamp with time zone,
	"decided_by" text,
	CONSTRAINT "weekly_reports_state" CHECK ("weekly_reports"."state" in ('waiting', 'accepted', 'set aside')),
	CONSTRAINT "weekly_reports_way" CHECK ("weekly_reports"."way" in ('form', 'message')),
	CONSTRAINT "weekly_reports_decided" CHECK (("weekly_reports"."state" = 'waiting') = ("weekly_reports"."decided_at" is null))
);
--> statement-breakpoint
ALTER TABLE "access"."sessions" ADD COLUMN "link_id" uuid;--> statement-breakpoint
ALTER TABLE "photos" ADD COLUMN "report_id" uuid;--> statement-breakpoint
ALTER TABLE "weigh_ins" ADD COLUMN "report_id" uuid;--> statement-breakpoint
ALTER TABLE "appointments" ADD CONSTRAINT "appointments_client_id_clients_id_fk" FOREIGN KEY ("client_id") REFERENCES "public"."clients"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "client_details" ADD CONSTRAINT "client_details_client_id_clients_id_fk" FOREIGN KEY ("client_id") REFERENCES "public"."clients"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "client_tags" ADD CONSTRAINT "client_tags_client_id_clients_id_fk" FOREIGN KEY ("client_id") REFERENCES "public"."clients"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "self_girths" ADD CONSTRAINT "self_girths_client_id_clients_id_fk" FOREIGN KEY ("client_id") REFERENCES "public"."clients"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "self_girths" ADD CONSTRAINT "self_girths_report_id_weekly_reports_id_fk" FOREIGN KEY ("report_id") REFERENCES "public"."weekly_reports"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "session_notes" ADD CONSTRAINT "session_notes_client_id_clients_id_fk" FOREIGN KEY ("client_id") REFERENCES "public"."clients"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "weekly_reports" ADD CONSTRAINT "weekly_reports_client_id_clients_id_fk" FOREIGN KEY ("client_id") REFERENCES "public"."clients"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "share_links_client" ON "access"."share_links" USING btree ("client_id");--> statement-breakpoint
CREATE INDEX "appointments_start" ON "appointments" USING btree ("starts_at");--> statement-breakpoint
CREATE INDEX "appointments_client" ON "appointments" USING btree ("client_id","starts_at");--> statement-breakpoint
CREATE INDEX "client_tags_tag" ON "client_tags" USING btree ("tag");--> statement-breakpoint
CREATE INDEX "self_girths_client" ON "self_girths" USING btree ("client_id","date","position");--> statement-breakpoint
CREATE INDEX "session_notes_client" ON "session_notes" USING btree ("client_id","date");--> statement-breakpoint
CREATE INDEX "weekly_reports_client" ON "weekly_reports" USING btree ("client_id","ends_on");--> statement-breakpoint
CREATE INDEX "weekly_reports_waiting" ON "weekly_reports" USING btree ("client_id") WHERE state = 'waiting';--> statement-breakpoint
ALTER TABLE "photos" ADD CONSTRAINT "photos_report_id_weekly_reports_id_fk" FOREIGN KEY ("report_id") REFERENCES "public"."weekly_reports"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "weigh_ins" ADD CONSTRAINT "weigh_ins_report_id_weekly_reports_id_fk" FOREIGN KEY ("report_id") REFERENCES "public"."weekly_reports"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "weigh_ins_report" ON "weigh_ins" USING btree ("report_id") WHERE report_id is not null;--> statement-breakpoint
CREATE TRIGGER verdict_self_girths_added AFTER INSERT ON "self_girths" REFERENCING NEW TABLE AS after
  FOR EACH STATEMENT EXECUTE FUNCTION verdicts_of_clients_changed();
--> statement-breakpoint
CREATE TRIGGER verdict_self_girths_deleted AFTER DELETE ON "self_girths" REFERENCING OLD TABLE AS before
  FOR EACH STATEMENT EXECUTE FUNCTION verdicts_of_clients_changed();
--> statement-breakpoint
CREATE OR REPLACE FUNCTION access.forget_client() RETURNS trigger LANGUAGE plpgsql AS $$ begin
	delete from access.audit_events where client_id = old.id;
	delete from access.users where client_id = old.id;
	delete from access.share_links where client_id = old.id;
	return null;
end $$;
