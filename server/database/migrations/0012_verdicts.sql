CREATE TABLE "client_verdicts" (
	"client_id" uuid PRIMARY KEY NOT NULL,
	"changes" integer DEFAULT 0 NOT NULL,
	"seen" integer,
	"said" jsonb,
	"kind" text,
	"item" text,
	"rank" smallint,
	"about" text,
	CONSTRAINT "client_verdicts_kind" CHECK ("client_verdicts"."kind" in ('look', 'tell'))
);
--> statement-breakpoint
CREATE TABLE "today_done" (
	"client_id" uuid NOT NULL,
	"about" text NOT NULL,
	"done_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "today_done_client_id_about_pk" PRIMARY KEY("client_id","about")
);
--> statement-breakpoint
CREATE TABLE "verdict_errors" (
	"tester_id" uuid PRIMARY KEY NOT NULL,
	"errors" text NOT NULL
);
--> statement-breakpoint
ALTER TABLE "client_verdicts" ADD CONSTRAINT "client_verdicts_client_id_clients_id_fk" FOREIGN KEY ("client_id") REFERENCES "public"."clients"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "today_done" ADD CONSTRAINT "today_done_client_id_clients_id_fk" FOREIGN KEY ("client_id") REFERENCES "public"."clients"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "verdict_errors" ADD CONSTRAINT "verdict_errors_tester_id_people_id_fk" FOREIGN KEY ("tester_id") REFERENCES "public"."people"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "client_verdicts_kind" ON "client_verdicts" USING btree ("kind","rank");--> statement-breakpoint
CREATE INDEX "weigh_ins_stored" ON "weigh_ins" USING btree ("stored_at");