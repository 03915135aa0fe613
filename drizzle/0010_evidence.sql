CREATE TABLE "gauge_pairing" (
	"id" uuid PRIMARY KEY NOT NULL,
	"code" text NOT NULL,
	"name" text NOT NULL,
	"secret_sha256" text NOT NULL,
	"made_by" text NOT NULL,
	"by_name" text NOT NULL,
	"made_at" timestamp with time zone NOT NULL,
	"ended_at" timestamp with time zone
);
--> statement-breakpoint
ALTER TABLE "decision" ADD COLUMN "by_name" text;--> statement-breakpoint
ALTER TABLE "job" ADD COLUMN "by_name" text;--> statement-breakpoint
ALTER TABLE "job" ADD COLUMN "lock" integer;--> statement-breakpoint
ALTER TABLE "job_entry" ADD COLUMN "by_name" text;--> statement-breakpoint
ALTER TABLE "picture" ADD COLUMN "by_name" text;--> statement-breakpoint
ALTER TABLE "reading" ADD COLUMN "by_name" text;--> statement-breakpoint
ALTER TABLE "report" ADD COLUMN "by_name" text;--> statement-breakpoint
ALTER TABLE "report" ADD COLUMN "signature" text;--> statement-breakpoint
ALTER TABLE "report" ADD COLUMN "public_key" text;--> statement-breakpoint
ALTER TABLE "review_event" ADD COLUMN "by_name" text;--> statement-breakpoint
ALTER TABLE "step_confirmation" ADD COLUMN "by_name" text;--> statement-breakpoint
ALTER TABLE "event_log" ADD COLUMN "by_name" text;--> statement-breakpoint
ALTER TABLE "event_log" ADD COLUMN "chain" text;--> statement-breakpoint
ALTER TABLE "event_log" ADD COLUMN "number" integer;--> statement-breakpoint
ALTER TABLE "event_log" ADD COLUMN "sha256" text;--> statement-breakpoint
ALTER TABLE "gauge_pairing" ADD CONSTRAINT "gauge_pairing_made_by_user_id_fk" FOREIGN KEY ("made_by") REFERENCES "public"."user"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "gauge_pairing_code" ON "gauge_pairing" USING btree ("code");--> statement-breakpoint
CREATE UNIQUE INDEX "event_log_chain" ON "event_log" USING btree ("chain","number");--> statement-breakpoint
-- A temporary table of the same name must not deceive a trigger: its functions look in their own places first, temporary ones last.
ALTER FUNCTION refuse_change() SET search_path = pg_catalog, public, pg_temp;
--> statement-breakpoint
ALTER FUNCTION refuse_after_signature() SET search_path = pg_catalog, public, pg_temp;
--> statement-breakpoint
ALTER FUNCTION refuse_change_of_signed_job() SET search_path = pg_catalog, public, pg_temp;
--> statement-breakpoint
-- Of a gauge only “calibrated anew” may change: what was read with it keeps its figures.
CREATE FUNCTION refuse_change_of_gauge() RETURNS trigger LANGUAGE plpgsql SET search_path = pg_catalog, public, pg_temp AS $$
BEGIN
  IF TG_OP = 'DELETE' OR (to_jsonb(NEW) - 'replaced') IS DISTINCT FROM (to_jsonb(OLD) - 'replaced') THEN
    RAISE EXCEPTION 'gauge %: its figures cannot be changed', OLD.id USING ERRCODE = 'restrict_violation';
  END IF;
  RETURN NEW;
END $$;
--> statement-breakpoint
CREATE TRIGGER gauge_figures_stand BEFORE UPDATE OR DELETE ON "gauge" FOR EACH ROW EXECUTE FUNCTION refuse_change_of_gauge();
