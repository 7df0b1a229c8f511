CREATE TABLE "gym_figures" (
	"id" smallint PRIMARY KEY DEFAULT 1 NOT NULL,
	"figures" jsonb,
	"people" integer NOT NULL,
	"check_ins" integer NOT NULL,
	"fitted_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "gym_figures_one" CHECK ("gym_figures"."id" = 1)
);
