CREATE TABLE "imports" (
	"id" uuid PRIMARY KEY NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	"actor" text NOT NULL,
	"file_name" text NOT NULL,
	"sha256" text NOT NULL,
	"counts" jsonb NOT NULL,
	"left_out" jsonb NOT NULL,
	"undone_at" timestamp with time zone
);
--> statement-breakpoint
ALTER TABLE "check_ins" ADD COLUMN "import_id" uuid;--> statement-breakpoint
ALTER TABLE "check_ins" ADD COLUMN "import_sheet" text;--> statement-breakpoint
ALTER TABLE "check_ins" ADD COLUMN "import_row" integer;--> statement-breakpoint
ALTER TABLE "readings" ADD COLUMN "import_id" uuid;--> statement-breakpoint
ALTER TABLE "readings" ADD COLUMN "import_sheet" text;--> statement-breakpoint
ALTER TABLE "readings" ADD COLUMN "import_row" integer;--> statement-breakpoint
ALTER TABLE "clients" ADD COLUMN "import_id" uuid;--> statement-breakpoint
ALTER TABLE "heights" ADD COLUMN "import_id" uuid;--> statement-breakpoint
ALTER TABLE "heights" ADD COLUMN "import_sheet" text;--> statement-breakpoint
ALTER TABLE "heights" ADD COLUMN "import_row" integer;--> statement-breakpoint
ALTER TABLE "client_notes" ADD COLUMN "import_id" uuid;--> statement-breakpoint
ALTER TABLE "weigh_ins" ADD COLUMN "import_id" uuid;--> statement-breakpoint
ALTER TABLE "weigh_ins" ADD COLUMN "import_sheet" text;--> statement-breakpoint
ALTER TABLE "weigh_ins" ADD COLUMN "import_row" integer;--> statement-breakpoint
ALTER TABLE "check_ins" ADD CONSTRAINT "check_ins_import_id_imports_id_fk" FOREIGN KEY ("import_id") REFERENCES "public"."imports"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "readings" ADD CONSTRAINT "readings_import_id_imports_id_fk" FOREIGN KEY ("import_id") REFERENCES "public"."imports"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "clients" ADD CONSTRAINT "clients_import_id_imports_id_fk" FOREIGN KEY ("import_id") REFERENCES "public"."imports"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "heights" ADD CONSTRAINT "heights_import_id_imports_id_fk" FOREIGN KEY ("import_id") REFERENCES "public"."imports"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "client_notes" ADD CONSTRAINT "client_notes_import_id_imports_id_fk" FOREIGN KEY ("import_id") REFERENCES "public"."imports"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "weigh_ins" ADD CONSTRAINT "weigh_ins_import_id_imports_id_fk" FOREIGN KEY ("import_id") REFERENCES "public"."imports"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "check_ins_import" ON "check_ins" USING btree ("import_id") WHERE import_id is not null;--> statement-breakpoint
CREATE INDEX "clients_import" ON "clients" USING btree ("import_id") WHERE import_id is not null;--> statement-breakpoint
CREATE INDEX "heights_import" ON "heights" USING btree ("import_id") WHERE import_id is not null;--> statement-breakpoint
CREATE INDEX "client_notes_import" ON "client_notes" USING btree ("import_id") WHERE import_id is not null;--> statement-breakpoint
CREATE INDEX "weigh_ins_import" ON "weigh_ins" USING btree ("import_id") WHERE import_id is not null;