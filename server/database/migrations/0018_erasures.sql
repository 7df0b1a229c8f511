CREATE TABLE "erasures" (
	"client_id" uuid PRIMARY KEY NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	"photo_ids" jsonb NOT NULL,
	"finished_at" timestamp with time zone
);
