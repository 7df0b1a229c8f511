ALTER TABLE "check_ins" DROP CONSTRAINT "check_ins_conversion";--> statement-breakpoint
ALTER TABLE "readings" DROP CONSTRAINT "readings_standard";--> statement-breakpoint
ALTER TABLE "site_notes" DROP CONSTRAINT "site_notes_standard";--> statement-breakpoint
ALTER TABLE "settings" DROP CONSTRAINT "settings_standard";--> statement-breakpoint
ALTER TABLE "studies" DROP CONSTRAINT "studies_standard";--> statement-breakpoint
ALTER TABLE "check_ins" ADD CONSTRAINT "check_ins_conversion" CHECK ("check_ins"."conversion" in ('siri', 'brozek', 'schutte', 'ortiz', 'white-women'));--> statement-breakpoint
ALTER TABLE "readings" ADD CONSTRAINT "readings_standard" CHECK ("readings"."standard" in ('us', 'int', 'dw', 'czech', 'gym'));--> statement-breakpoint
ALTER TABLE "site_notes" ADD CONSTRAINT "site_notes_standard" CHECK ("site_notes"."standard" in ('us', 'int', 'dw', 'czech', 'gym'));--> statement-breakpoint
ALTER TABLE "settings" ADD CONSTRAINT "settings_standard" CHECK ("settings"."standard" in ('us', 'int', 'dw', 'czech', 'gym'));--> statement-breakpoint
ALTER TABLE "studies" ADD CONSTRAINT "studies_standard" CHECK ("studies"."standard" in ('us', 'int', 'dw', 'czech', 'gym'));