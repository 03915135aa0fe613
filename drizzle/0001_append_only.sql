-- What is recorded stands: readings, confirmations, verdicts, reviews, reports, issued books and the log are only added to.
CREATE FUNCTION refuse_change() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  RAISE EXCEPTION '% is append-only: % refused', TG_TABLE_NAME, TG_OP USING ERRCODE = 'restrict_violation';
END $$;
--> statement-breakpoint
CREATE TRIGGER reading_append_only BEFORE UPDATE OR DELETE OR TRUNCATE ON "reading" FOR EACH STATEMENT EXECUTE FUNCTION refuse_change();
--> statement-breakpoint
CREATE TRIGGER step_confirmation_append_only BEFORE UPDATE OR DELETE OR TRUNCATE ON "step_confirmation" FOR EACH STATEMENT EXECUTE FUNCTION refuse_change();
--> statement-breakpoint
CREATE TRIGGER decision_append_only BEFORE UPDATE OR DELETE OR TRUNCATE ON "decision" FOR EACH STATEMENT EXECUTE FUNCTION refuse_change();
--> statement-breakpoint
CREATE TRIGGER review_event_append_only BEFORE UPDATE OR DELETE OR TRUNCATE ON "review_event" FOR EACH STATEMENT EXECUTE FUNCTION refuse_change();
--> statement-breakpoint
CREATE TRIGGER report_append_only BEFORE UPDATE OR DELETE OR TRUNCATE ON "report" FOR EACH STATEMENT EXECUTE FUNCTION refuse_change();
--> statement-breakpoint
CREATE TRIGGER limit_book_append_only BEFORE UPDATE OR DELETE OR TRUNCATE ON "limit_book" FOR EACH STATEMENT EXECUTE FUNCTION refuse_change();
--> statement-breakpoint
CREATE TRIGGER event_log_append_only BEFORE UPDATE OR DELETE OR TRUNCATE ON "event_log" FOR EACH STATEMENT EXECUTE FUNCTION refuse_change();
--> statement-breakpoint
-- Nothing is added to a job once its report is signed.
CREATE FUNCTION refuse_after_signature() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  IF EXISTS (SELECT 1 FROM "report" WHERE "report"."job_id" = NEW.job_id) THEN
    RAISE EXCEPTION 'job % is signed: nothing can be added to it', NEW.job_id USING ERRCODE = 'restrict_violation';
  END IF;
  RETURN NEW;
END $$;
--> statement-breakpoint
CREATE TRIGGER reading_before_signature BEFORE INSERT ON "reading" FOR EACH ROW EXECUTE FUNCTION refuse_after_signature();
--> statement-breakpoint
CREATE TRIGGER step_confirmation_before_signature BEFORE INSERT ON "step_confirmation" FOR EACH ROW EXECUTE FUNCTION refuse_after_signature();
--> statement-breakpoint
CREATE TRIGGER decision_before_signature BEFORE INSERT ON "decision" FOR EACH ROW EXECUTE FUNCTION refuse_after_signature();
--> statement-breakpoint
CREATE TRIGGER review_event_before_signature BEFORE INSERT ON "review_event" FOR EACH ROW EXECUTE FUNCTION refuse_after_signature();
--> statement-breakpoint
-- A job's own figures (hours, policy, book) stand once it is signed.
CREATE FUNCTION refuse_change_of_signed_job() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  IF EXISTS (SELECT 1 FROM "report" WHERE "report"."job_id" = OLD.id) THEN
    RAISE EXCEPTION 'job % is signed: it cannot be changed', OLD.id USING ERRCODE = 'restrict_violation';
  END IF;
  IF TG_OP = 'DELETE' THEN RETURN OLD; END IF;
  RETURN NEW;
END $$;
--> statement-breakpoint
CREATE TRIGGER job_before_signature BEFORE UPDATE OR DELETE ON "job" FOR EACH ROW EXECUTE FUNCTION refuse_change_of_signed_job();
