CREATE TABLE "plan_clearances" (
	"id" uuid PRIMARY KEY NOT NULL,
	"client_id" uuid NOT NULL,
	"rule" text NOT NULL,
	"cleared_by" text NOT NULL,
	"cleared_on" date NOT NULL,
	"stored_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
ALTER TABLE "plan_clearances" ADD CONSTRAINT "plan_clearances_client_id_clients_id_fk" FOREIGN KEY ("client_id") REFERENCES "public"."clients"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "plan_clearances_client" ON "plan_clearances" USING btree ("client_id","rule");