CREATE SCHEMA "access";
--> statement-breakpoint
CREATE TABLE "access"."accounts" (
	"id" text PRIMARY KEY NOT NULL,
	"account_id" text NOT NULL,
	"provider_id" text NOT NULL,
	"user_id" text NOT NULL,
	"access_token" text,
	"refresh_token" text,
	"id_token" text,
	"access_token_expires_at" timestamp with time zone,
	"refresh_token_expires_at" timestamp with time zone,
	"scope" text,
	"password" text,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "access"."audit_events" (
	"id" bigint PRIMARY KEY GENERATED ALWAYS AS IDENTITY (sequence name "access"."audit_events_id_seq" INCREMENT BY 1 MINVALUE 1 MAXVALUE 9223372036854775807 START WITH 1 CACHE 1),
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	"user_id" text,
	"who" text NOT NULL,
	"device" text,
	"what" text NOT NULL,
	"client_id" uuid
);
--> statement-breakpoint
CREATE TABLE "access"."sessions" (
	"id" text PRIMARY KEY NOT NULL,
	"token" text NOT NULL,
	"user_id" text NOT NULL,
	"expires_at" timestamp with time zone NOT NULL,
	"ip_address" text,
	"user_agent" text,
	"device" text,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "sessions_token_unique" UNIQUE("token")
);
--> statement-breakpoint
CREATE TABLE "access"."users" (
	"id" text PRIMARY KEY NOT NULL,
	"name" text NOT NULL,
	"email" text NOT NULL,
	"email_verified" boolean DEFAULT false NOT NULL,
	"image" text,
	"username" text,
	"display_username" text,
	"role" text NOT NULL,
	"person_id" uuid,
	"client_id" uuid,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "users_email_unique" UNIQUE("email"),
	CONSTRAINT "users_username_unique" UNIQUE("username"),
	CONSTRAINT "users_role" CHECK ("access"."users"."role" in ('owner', 'coach', 'assistant', 'client'))
);
--> statement-breakpoint
CREATE TABLE "access"."verifications" (
	"id" text PRIMARY KEY NOT NULL,
	"identifier" text NOT NULL,
	"value" text NOT NULL,
	"expires_at" timestamp with time zone NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
ALTER TABLE "clients" ADD COLUMN "coach_id" uuid;--> statement-breakpoint
ALTER TABLE "settings" ADD COLUMN "coaches_see" text DEFAULT 'all' NOT NULL;--> statement-breakpoint
ALTER TABLE "access"."accounts" ADD CONSTRAINT "accounts_user_id_users_id_fk" FOREIGN KEY ("user_id") REFERENCES "access"."users"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "access"."sessions" ADD CONSTRAINT "sessions_user_id_users_id_fk" FOREIGN KEY ("user_id") REFERENCES "access"."users"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "accounts_user" ON "access"."accounts" USING btree ("user_id");--> statement-breakpoint
CREATE INDEX "audit_events_client" ON "access"."audit_events" USING btree ("client_id","id");--> statement-breakpoint
CREATE INDEX "audit_events_user" ON "access"."audit_events" USING btree ("user_id","id");--> statement-breakpoint
CREATE INDEX "sessions_user" ON "access"."sessions" USING btree ("user_id");--> statement-breakpoint
ALTER TABLE "clients" ADD CONSTRAINT "clients_coach_id_people_id_fk" FOREIGN KEY ("coach_id") REFERENCES "public"."people"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "settings" ADD CONSTRAINT "settings_coaches_see" CHECK ("settings"."coaches_see" in ('all', 'own'));--> statement-breakpoint
CREATE FUNCTION access.keep_as_written() RETURNS trigger LANGUAGE plpgsql AS $$ begin raise exception 'audit_events is append-only'; end $$;--> statement-breakpoint
CREATE TRIGGER audit_events_append_only BEFORE UPDATE ON access.audit_events FOR EACH ROW EXECUTE FUNCTION access.keep_as_written();--> statement-breakpoint
CREATE FUNCTION access.forget_client() RETURNS trigger LANGUAGE plpgsql AS $$ begin
	delete from access.audit_events where client_id = old.id;
	delete from access.users where client_id = old.id;
	return null;
end $$;--> statement-breakpoint
CREATE TRIGGER clients_forgotten AFTER DELETE ON public.clients FOR EACH ROW EXECUTE FUNCTION access.forget_client();
