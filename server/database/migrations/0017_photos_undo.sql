DROP INDEX "photos_one_a_view_and_day";--> statement-breakpoint
ALTER TABLE "photos" ADD COLUMN "deleted_at" timestamp with time zone;--> statement-breakpoint
CREATE INDEX "photos_of_client" ON "photos" USING btree ("client_id","taken_on","view");