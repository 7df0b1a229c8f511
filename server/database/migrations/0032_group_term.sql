ALTER TABLE "clients" ADD COLUMN "group_term" text;--> statement-breakpoint
ALTER TABLE "clients" ADD CONSTRAINT "clients_group_term" CHECK ("clients"."group_term" in ('black', 'asian'));