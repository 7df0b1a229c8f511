ALTER TABLE "instruments" DROP CONSTRAINT "instruments_kind";--> statement-breakpoint
ALTER TABLE "check_ins" ADD COLUMN "bone_caliper_id" uuid;--> statement-breakpoint
ALTER TABLE "settings" ADD COLUMN "bone_caliper_id" uuid;--> statement-breakpoint
ALTER TABLE "check_ins" ADD CONSTRAINT "check_ins_bone_caliper_id_instruments_id_fk" FOREIGN KEY ("bone_caliper_id") REFERENCES "public"."instruments"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "settings" ADD CONSTRAINT "settings_bone_caliper_id_instruments_id_fk" FOREIGN KEY ("bone_caliper_id") REFERENCES "public"."instruments"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "instruments" ADD CONSTRAINT "instruments_kind" CHECK ("instruments"."kind" in ('caliper', 'tape', 'bone-caliper', 'scale'));