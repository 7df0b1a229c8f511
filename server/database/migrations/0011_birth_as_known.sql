ALTER TABLE "clients" ALTER COLUMN "birth_date" DROP NOT NULL;--> statement-breakpoint
ALTER TABLE "clients" ADD COLUMN "birth_year" smallint;--> statement-breakpoint
ALTER TABLE "clients" ADD CONSTRAINT "clients_birth_year" CHECK ("clients"."birth_year" is null or ("clients"."birth_year" between 1900 and 2199 and "clients"."birth_date" is null));