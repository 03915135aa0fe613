-- Entries, pictures and the hour log are only added to; entries and pictures not once the job is signed.
CREATE TRIGGER job_entry_append_only BEFORE UPDATE OR DELETE OR TRUNCATE ON "job_entry" FOR EACH STATEMENT EXECUTE FUNCTION refuse_change();
--> statement-breakpoint
CREATE TRIGGER picture_append_only BEFORE UPDATE OR DELETE OR TRUNCATE ON "picture" FOR EACH STATEMENT EXECUTE FUNCTION refuse_change();
--> statement-breakpoint
CREATE TRIGGER machine_hours_append_only BEFORE UPDATE OR DELETE OR TRUNCATE ON "machine_hours" FOR EACH STATEMENT EXECUTE FUNCTION refuse_change();
--> statement-breakpoint
CREATE TRIGGER job_entry_before_signature BEFORE INSERT ON "job_entry" FOR EACH ROW EXECUTE FUNCTION refuse_after_signature();
--> statement-breakpoint
CREATE TRIGGER picture_before_signature BEFORE INSERT ON "picture" FOR EACH ROW EXECUTE FUNCTION refuse_after_signature();
