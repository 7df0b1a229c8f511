-- Every client has a verdict, which nobody has said yet.
INSERT INTO client_verdicts (client_id) SELECT id FROM clients;
--> statement-breakpoint
CREATE FUNCTION begin_verdict() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  INSERT INTO client_verdicts (client_id) VALUES (NEW.id);
  RETURN NULL;
END
$$;
--> statement-breakpoint
CREATE TRIGGER verdict_begins AFTER INSERT ON "clients" FOR EACH ROW EXECUTE FUNCTION begin_verdict();
--> statement-breakpoint
CREATE INDEX client_verdicts_waiting ON client_verdicts (client_id) WHERE seen IS DISTINCT FROM changes;
--> statement-breakpoint
-- Every change of what a verdict is made of is counted with it; only a verdict that has seen the last one counts.
CREATE FUNCTION verdict_of_client_changed() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  IF TG_OP <> 'INSERT' THEN
    UPDATE client_verdicts SET changes = changes + 1 WHERE client_id = OLD.client_id;
  END IF;
  IF TG_OP <> 'DELETE' THEN
    UPDATE client_verdicts SET changes = changes + 1 WHERE client_id = NEW.client_id;
  END IF;
  RETURN NULL;
END
$$;
--> statement-breakpoint
CREATE TRIGGER verdict_weigh_ins AFTER INSERT OR UPDATE OR DELETE ON "weigh_ins"
  FOR EACH ROW EXECUTE FUNCTION verdict_of_client_changed();
--> statement-breakpoint
CREATE TRIGGER verdict_plans AFTER INSERT OR UPDATE OR DELETE ON "plans"
  FOR EACH ROW EXECUTE FUNCTION verdict_of_client_changed();
--> statement-breakpoint
CREATE TRIGGER verdict_notes AFTER INSERT OR UPDATE OR DELETE ON "client_notes"
  FOR EACH ROW EXECUTE FUNCTION verdict_of_client_changed();
--> statement-breakpoint
CREATE TRIGGER verdict_heights AFTER INSERT OR UPDATE OR DELETE ON "heights"
  FOR EACH ROW EXECUTE FUNCTION verdict_of_client_changed();
--> statement-breakpoint
-- A check-in that is under way is in no verdict yet.
CREATE FUNCTION verdict_of_check_in_changed() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  IF TG_OP <> 'INSERT' AND OLD.closed_at IS NOT NULL THEN
    UPDATE client_verdicts SET changes = changes + 1 WHERE client_id = OLD.client_id;
  END IF;
  IF TG_OP <> 'DELETE' AND NEW.closed_at IS NOT NULL THEN
    UPDATE client_verdicts SET changes = changes + 1 WHERE client_id = NEW.client_id;
  END IF;
  RETURN NULL;
END
$$;
--> statement-breakpoint
CREATE TRIGGER verdict_check_ins AFTER INSERT OR UPDATE OR DELETE ON "check_ins"
  FOR EACH ROW EXECUTE FUNCTION verdict_of_check_in_changed();
--> statement-breakpoint
CREATE FUNCTION verdict_of_part_changed() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  UPDATE client_verdicts v SET changes = v.changes + 1 FROM check_ins c
    WHERE c.id = COALESCE(NEW.check_in_id, OLD.check_in_id) AND c.closed_at IS NOT NULL AND v.client_id = c.client_id;
  RETURN NULL;
END
$$;
--> statement-breakpoint
CREATE TRIGGER verdict_readings AFTER INSERT OR DELETE ON "readings"
  FOR EACH ROW EXECUTE FUNCTION verdict_of_part_changed();
--> statement-breakpoint
CREATE TRIGGER verdict_extra_girths AFTER INSERT OR UPDATE OR DELETE ON "check_in_extra_girths"
  FOR EACH ROW EXECUTE FUNCTION verdict_of_part_changed();
--> statement-breakpoint
CREATE FUNCTION verdict_of_person_changed() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  UPDATE client_verdicts SET changes = changes + 1 WHERE client_id = NEW.id;
  RETURN NULL;
END
$$;
--> statement-breakpoint
CREATE TRIGGER verdict_clients AFTER UPDATE ON "clients" FOR EACH ROW
  WHEN ((OLD.sex, OLD.birth_date, OLD.birth_year, OLD.cadence_days, OLD.show_percentages, OLD.week_ends_on)
    IS DISTINCT FROM (NEW.sex, NEW.birth_date, NEW.birth_year, NEW.cadence_days, NEW.show_percentages, NEW.week_ends_on))
  EXECUTE FUNCTION verdict_of_person_changed();
--> statement-breakpoint
-- How practised a hand is, and what it measures with, is in every verdict.
CREATE FUNCTION all_verdicts_changed() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  UPDATE client_verdicts SET changes = changes + 1;
  RETURN NULL;
END
$$;
--> statement-breakpoint
CREATE TRIGGER verdict_people AFTER UPDATE ON "people" FOR EACH ROW
  WHEN (OLD.skill IS DISTINCT FROM NEW.skill) EXECUTE FUNCTION all_verdicts_changed();
--> statement-breakpoint
CREATE TRIGGER verdict_instruments AFTER UPDATE ON "instruments" FOR EACH ROW
  WHEN ((OLD.graduation, OLD.jaws) IS DISTINCT FROM (NEW.graduation, NEW.jaws)) EXECUTE FUNCTION all_verdicts_changed();
