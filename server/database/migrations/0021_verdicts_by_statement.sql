ALTER TABLE "readings" DROP CONSTRAINT "readings_import_id_imports_id_fk";
--> statement-breakpoint
-- What a verdict is made of is counted once for each statement that changes it, and no longer for each row: records that are
-- brought in come as thousands of rows at once.
DROP TRIGGER verdict_weigh_ins ON "weigh_ins";--> statement-breakpoint
DROP TRIGGER verdict_plans ON "plans";--> statement-breakpoint
DROP TRIGGER verdict_notes ON "client_notes";--> statement-breakpoint
DROP TRIGGER verdict_heights ON "heights";--> statement-breakpoint
DROP TRIGGER verdict_check_ins ON "check_ins";--> statement-breakpoint
DROP TRIGGER verdict_readings ON "readings";--> statement-breakpoint
DROP TRIGGER verdict_extra_girths ON "check_in_extra_girths";--> statement-breakpoint
DROP FUNCTION verdict_of_client_changed();--> statement-breakpoint
DROP FUNCTION verdict_of_check_in_changed();--> statement-breakpoint
DROP FUNCTION verdict_of_part_changed();--> statement-breakpoint
CREATE FUNCTION verdicts_of_clients_changed() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  IF TG_OP <> 'INSERT' THEN
    UPDATE client_verdicts SET changes = changes + 1 WHERE client_id IN (SELECT client_id FROM before);
  END IF;
  IF TG_OP <> 'DELETE' THEN
    UPDATE client_verdicts SET changes = changes + 1 WHERE client_id IN (SELECT client_id FROM after);
  END IF;
  RETURN NULL;
END
$$;
--> statement-breakpoint
-- A check-in that is under way is in no verdict yet.
CREATE FUNCTION verdicts_of_check_ins_changed() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  IF TG_OP <> 'INSERT' THEN
    UPDATE client_verdicts SET changes = changes + 1
      WHERE client_id IN (SELECT client_id FROM before WHERE closed_at IS NOT NULL);
  END IF;
  IF TG_OP <> 'DELETE' THEN
    UPDATE client_verdicts SET changes = changes + 1
      WHERE client_id IN (SELECT client_id FROM after WHERE closed_at IS NOT NULL);
  END IF;
  RETURN NULL;
END
$$;
--> statement-breakpoint
CREATE FUNCTION verdicts_of_parts_changed() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  IF TG_OP <> 'INSERT' THEN
    UPDATE client_verdicts SET changes = changes + 1 WHERE client_id IN
      (SELECT c.client_id FROM before p JOIN check_ins c ON c.id = p.check_in_id WHERE c.closed_at IS NOT NULL);
  END IF;
  IF TG_OP <> 'DELETE' THEN
    UPDATE client_verdicts SET changes = changes + 1 WHERE client_id IN
      (SELECT c.client_id FROM after p JOIN check_ins c ON c.id = p.check_in_id WHERE c.closed_at IS NOT NULL);
  END IF;
  RETURN NULL;
END
$$;
--> statement-breakpoint
CREATE TRIGGER verdict_weigh_ins_added AFTER INSERT ON "weigh_ins" REFERENCING NEW TABLE AS after
  FOR EACH STATEMENT EXECUTE FUNCTION verdicts_of_clients_changed();
--> statement-breakpoint
CREATE TRIGGER verdict_weigh_ins_updated AFTER UPDATE ON "weigh_ins" REFERENCING OLD TABLE AS before NEW TABLE AS after
  FOR EACH STATEMENT EXECUTE FUNCTION verdicts_of_clients_changed();
--> statement-breakpoint
CREATE TRIGGER verdict_weigh_ins_deleted AFTER DELETE ON "weigh_ins" REFERENCING OLD TABLE AS before
  FOR EACH STATEMENT EXECUTE FUNCTION verdicts_of_clients_changed();
--> statement-breakpoint
CREATE TRIGGER verdict_plans_added AFTER INSERT ON "plans" REFERENCING NEW TABLE AS after
  FOR EACH STATEMENT EXECUTE FUNCTION verdicts_of_clients_changed();
--> statement-breakpoint
CREATE TRIGGER verdict_plans_updated AFTER UPDATE ON "plans" REFERENCING OLD TABLE AS before NEW TABLE AS after
  FOR EACH STATEMENT EXECUTE FUNCTION verdicts_of_clients_changed();
--> statement-breakpoint
CREATE TRIGGER verdict_plans_deleted AFTER DELETE ON "plans" REFERENCING OLD TABLE AS before
  FOR EACH STATEMENT EXECUTE FUNCTION verdicts_of_clients_changed();
--> statement-breakpoint
CREATE TRIGGER verdict_notes_added AFTER INSERT ON "client_notes" REFERENCING NEW TABLE AS after
  FOR EACH STATEMENT EXECUTE FUNCTION verdicts_of_clients_changed();
--> statement-breakpoint
CREATE TRIGGER verdict_notes_updated AFTER UPDATE ON "client_notes" REFERENCING OLD TABLE AS before NEW TABLE AS after
  FOR EACH STATEMENT EXECUTE FUNCTION verdicts_of_clients_changed();
--> statement-breakpoint
CREATE TRIGGER verdict_notes_deleted AFTER DELETE ON "client_notes" REFERENCING OLD TABLE AS before
  FOR EACH STATEMENT EXECUTE FUNCTION verdicts_of_clients_changed();
--> statement-breakpoint
CREATE TRIGGER verdict_heights_added AFTER INSERT ON "heights" REFERENCING NEW TABLE AS after
  FOR EACH STATEMENT EXECUTE FUNCTION verdicts_of_clients_changed();
--> statement-breakpoint
CREATE TRIGGER verdict_heights_updated AFTER UPDATE ON "heights" REFERENCING OLD TABLE AS before NEW TABLE AS after
  FOR EACH STATEMENT EXECUTE FUNCTION verdicts_of_clients_changed();
--> statement-breakpoint
CREATE TRIGGER verdict_heights_deleted AFTER DELETE ON "heights" REFERENCING OLD TABLE AS before
  FOR EACH STATEMENT EXECUTE FUNCTION verdicts_of_clients_changed();
--> statement-breakpoint
CREATE TRIGGER verdict_check_ins_added AFTER INSERT ON "check_ins" REFERENCING NEW TABLE AS after
  FOR EACH STATEMENT EXECUTE FUNCTION verdicts_of_check_ins_changed();
--> statement-breakpoint
CREATE TRIGGER verdict_check_ins_updated AFTER UPDATE ON "check_ins" REFERENCING OLD TABLE AS before NEW TABLE AS after
  FOR EACH STATEMENT EXECUTE FUNCTION verdicts_of_check_ins_changed();
--> statement-breakpoint
CREATE TRIGGER verdict_check_ins_deleted AFTER DELETE ON "check_ins" REFERENCING OLD TABLE AS before
  FOR EACH STATEMENT EXECUTE FUNCTION verdicts_of_check_ins_changed();
--> statement-breakpoint
CREATE TRIGGER verdict_readings_added AFTER INSERT ON "readings" REFERENCING NEW TABLE AS after
  FOR EACH STATEMENT EXECUTE FUNCTION verdicts_of_parts_changed();
--> statement-breakpoint
CREATE TRIGGER verdict_readings_deleted AFTER DELETE ON "readings" REFERENCING OLD TABLE AS before
  FOR EACH STATEMENT EXECUTE FUNCTION verdicts_of_parts_changed();
--> statement-breakpoint
CREATE TRIGGER verdict_extra_girths_added AFTER INSERT ON "check_in_extra_girths" REFERENCING NEW TABLE AS after
  FOR EACH STATEMENT EXECUTE FUNCTION verdicts_of_parts_changed();
--> statement-breakpoint
CREATE TRIGGER verdict_extra_girths_updated AFTER UPDATE ON "check_in_extra_girths" REFERENCING OLD TABLE AS before NEW TABLE AS after
  FOR EACH STATEMENT EXECUTE FUNCTION verdicts_of_parts_changed();
--> statement-breakpoint
CREATE TRIGGER verdict_extra_girths_deleted AFTER DELETE ON "check_in_extra_girths" REFERENCING OLD TABLE AS before
  FOR EACH STATEMENT EXECUTE FUNCTION verdicts_of_parts_changed();
