-- A reading is never overwritten: a correction is a new row that supersedes the old one.
CREATE FUNCTION refuse_reading_update() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  RAISE EXCEPTION 'readings are append-only: add a row that supersedes %', OLD.id;
END
$$;
--> statement-breakpoint
CREATE TRIGGER readings_append_only BEFORE UPDATE ON "readings"
  FOR EACH ROW EXECUTE FUNCTION refuse_reading_update();
