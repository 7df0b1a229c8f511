CREATE TABLE "access"."calendar_feeds" (
	"owner" text PRIMARY KEY NOT NULL,
	"user_id" text,
	"client_id" uuid,
	"hash" text NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"used_at" timestamp with time zone,
	CONSTRAINT "calendar_feeds_hash_unique" UNIQUE("hash")
);
--> statement-breakpoint
CREATE TABLE "access"."jobs" (
	"name" text PRIMARY KEY NOT NULL,
	"claimed_at" timestamp with time zone NOT NULL
);
--> statement-breakpoint
CREATE TABLE "access"."mail_keys" (
	"hash" text PRIMARY KEY NOT NULL,
	"client_id" uuid NOT NULL,
	"made_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "access"."mail_stops" (
	"client_id" uuid PRIMARY KEY NOT NULL,
	"stopped_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "access"."reminders" (
	"id" uuid PRIMARY KEY NOT NULL,
	"client_id" uuid NOT NULL,
	"kind" text NOT NULL,
	"reminded_of" text NOT NULL,
	"due_on" date NOT NULL,
	"state" text NOT NULL,
	"made_at" timestamp with time zone DEFAULT now() NOT NULL,
	"tries" integer DEFAULT 0 NOT NULL,
	"try_at" timestamp with time zone DEFAULT now() NOT NULL,
	"claimed_at" timestamp with time zone,
	"ended_at" timestamp with time zone,
	"trouble" text,
	CONSTRAINT "reminders_once" UNIQUE("client_id","kind","reminded_of","due_on"),
	CONSTRAINT "reminders_state" CHECK ("access"."reminders"."state" in ('waiting', 'sending', 'sent', 'copied', 'failed', 'unclear', 'over'))
);
--> statement-breakpoint
CREATE TABLE "access"."wall_links" (
	"leaderboard_id" uuid PRIMARY KEY NOT NULL,
	"hash" text NOT NULL,
	"shows_figures" boolean NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"used_at" timestamp with time zone,
	CONSTRAINT "wall_links_hash_unique" UNIQUE("hash")
);
--> statement-breakpoint
CREATE TABLE "leaderboard_results" (
	"leaderboard_id" uuid NOT NULL,
	"client_id" uuid NOT NULL,
	"line" integer NOT NULL,
	"place" integer,
	"tie" jsonb,
	"change" double precision,
	"standard_error" double precision,
	"from_day" date,
	"to_day" date,
	"why" jsonb,
	CONSTRAINT "leaderboard_results_leaderboard_id_client_id_pk" PRIMARY KEY("leaderboard_id","client_id"),
	CONSTRAINT "leaderboard_results_ranked" CHECK (("leaderboard_results"."place" is null) = ("leaderboard_results"."change" is null))
);
--> statement-breakpoint
ALTER TABLE "leaderboards" DROP CONSTRAINT "leaderboards_measure";--> statement-breakpoint
ALTER TABLE "client_details" ADD COLUMN "mail_stopped_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "settings" ADD COLUMN "reminders" jsonb;--> statement-breakpoint
ALTER TABLE "leaderboards" ADD COLUMN "closed_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "leaderboards" ADD COLUMN "closed_by" text;--> statement-breakpoint
ALTER TABLE "access"."calendar_feeds" ADD CONSTRAINT "calendar_feeds_user_id_users_id_fk" FOREIGN KEY ("user_id") REFERENCES "access"."users"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "leaderboard_results" ADD CONSTRAINT "leaderboard_results_leaderboard_id_leaderboards_id_fk" FOREIGN KEY ("leaderboard_id") REFERENCES "public"."leaderboards"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "leaderboard_results" ADD CONSTRAINT "leaderboard_results_client_id_clients_id_fk" FOREIGN KEY ("client_id") REFERENCES "public"."clients"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "mail_keys_client" ON "access"."mail_keys" USING btree ("client_id");--> statement-breakpoint
CREATE INDEX "reminders_waiting" ON "access"."reminders" USING btree ("try_at") WHERE state in ('waiting', 'sending');--> statement-breakpoint
CREATE INDEX "reminders_made" ON "access"."reminders" USING btree ("made_at");--> statement-breakpoint
CREATE INDEX "leaderboard_results_client" ON "leaderboard_results" USING btree ("client_id");--> statement-breakpoint
ALTER TABLE "leaderboards" ADD CONSTRAINT "leaderboards_measure" CHECK ("leaderboards"."measure" in ('fatPercent', 'fatMass', 'sum', 'equationSum', 'recomposition', 'bodyMass', 'waist'));--> statement-breakpoint
CREATE OR REPLACE FUNCTION access.forget_client() RETURNS trigger LANGUAGE plpgsql AS $$ begin
	delete from access.audit_events where client_id = old.id;
	delete from access.users where client_id = old.id;
	delete from access.share_links where client_id = old.id;
	delete from access.reminders where client_id = old.id;
	delete from access.mail_stops where client_id = old.id;
	delete from access.mail_keys where client_id = old.id;
	delete from access.calendar_feeds where client_id = old.id;
	return null;
end $$;
