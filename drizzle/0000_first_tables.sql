CREATE TABLE "account" (
	"id" text PRIMARY KEY NOT NULL,
	"account_id" text NOT NULL,
	"provider_id" text NOT NULL,
	"user_id" text NOT NULL,
	"access_token" text,
	"refresh_token" text,
	"id_token" text,
	"access_token_expires_at" timestamp with time zone,
	"refresh_token_expires_at" timestamp with time zone,
	"scope" text,
	"password" text,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "rate_limit" (
	"id" text PRIMARY KEY NOT NULL,
	"key" text NOT NULL,
	"count" integer NOT NULL,
	"last_request" bigint NOT NULL,
	CONSTRAINT "rate_limit_key_unique" UNIQUE("key")
);
--> statement-breakpoint
CREATE TABLE "session" (
	"id" text PRIMARY KEY NOT NULL,
	"token" text NOT NULL,
	"user_id" text NOT NULL,
	"expires_at" timestamp with time zone NOT NULL,
	"ip_address" text,
	"user_agent" text,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "session_token_unique" UNIQUE("token")
);
--> statement-breakpoint
CREATE TABLE "user" (
	"id" text PRIMARY KEY NOT NULL,
	"name" text NOT NULL,
	"email" text NOT NULL,
	"email_verified" boolean DEFAULT false NOT NULL,
	"image" text,
	"username" text,
	"display_username" text,
	"role" text DEFAULT 'visitor' NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "user_email_unique" UNIQUE("email"),
	CONSTRAINT "user_username_unique" UNIQUE("username")
);
--> statement-breakpoint
CREATE TABLE "verification" (
	"id" text PRIMARY KEY NOT NULL,
	"identifier" text NOT NULL,
	"value" text NOT NULL,
	"expires_at" timestamp with time zone NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "decision" (
	"id" uuid PRIMARY KEY NOT NULL,
	"job_id" text NOT NULL,
	"part" text NOT NULL,
	"recommended" text NOT NULL,
	"decided" text NOT NULL,
	"reason" text,
	"decided_by" text NOT NULL,
	"decided_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "job" (
	"id" text PRIMARY KEY NOT NULL,
	"machine_id" text NOT NULL,
	"book_id" text NOT NULL,
	"book_revision" text NOT NULL,
	"title" text NOT NULL,
	"reason" text NOT NULL,
	"opened_on" date NOT NULL,
	"opened_by" text NOT NULL,
	"running_hours" integer NOT NULL,
	"must_run_hours" integer NOT NULL,
	"policy" jsonb NOT NULL,
	"installed" jsonb NOT NULL
);
--> statement-breakpoint
CREATE TABLE "reading" (
	"id" uuid PRIMARY KEY NOT NULL,
	"job_id" text NOT NULL,
	"characteristic" text NOT NULL,
	"station" text NOT NULL,
	"direction" text NOT NULL,
	"repeat" integer NOT NULL,
	"stage" text NOT NULL,
	"text" text NOT NULL,
	"default_unit" text NOT NULL,
	"master_mm" numeric,
	"value_mm" numeric NOT NULL,
	"gauge_id" text NOT NULL,
	"taken_by" text NOT NULL,
	"taken_at" timestamp with time zone NOT NULL,
	"received_at" timestamp with time zone DEFAULT now() NOT NULL,
	"supersedes" uuid,
	"reason" text
);
--> statement-breakpoint
CREATE TABLE "report" (
	"id" uuid PRIMARY KEY NOT NULL,
	"job_id" text NOT NULL,
	"machine_id" text NOT NULL,
	"sequence" integer NOT NULL,
	"canonical" text NOT NULL,
	"sha256" text NOT NULL,
	"previous_sha256" text,
	"core_version" text NOT NULL,
	"signed_by" text NOT NULL,
	"signed_at" timestamp with time zone NOT NULL,
	CONSTRAINT "report_job_id_unique" UNIQUE("job_id")
);
--> statement-breakpoint
CREATE TABLE "review_event" (
	"id" uuid PRIMARY KEY NOT NULL,
	"job_id" text NOT NULL,
	"kind" text NOT NULL,
	"note" text NOT NULL,
	"acted_by" text NOT NULL,
	"acted_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "step_confirmation" (
	"id" uuid PRIMARY KEY NOT NULL,
	"job_id" text NOT NULL,
	"step" text NOT NULL,
	"note" text NOT NULL,
	"confirmed_by" text NOT NULL,
	"confirmed_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "event_log" (
	"id" bigserial PRIMARY KEY NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	"user_id" text NOT NULL,
	"verb" text NOT NULL,
	"subject" text NOT NULL,
	"detail" jsonb NOT NULL
);
--> statement-breakpoint
CREATE TABLE "gauge" (
	"id" text PRIMARY KEY NOT NULL,
	"code" text NOT NULL,
	"name" text NOT NULL,
	"kind" text NOT NULL,
	"resolution_mm" numeric NOT NULL,
	"maximum_permissible_error_mm" numeric NOT NULL,
	"calibration_due" date NOT NULL,
	CONSTRAINT "gauge_code_unique" UNIQUE("code")
);
--> statement-breakpoint
CREATE TABLE "limit_book" (
	"id" text NOT NULL,
	"revision" text NOT NULL,
	"title" text NOT NULL,
	"document" jsonb NOT NULL,
	CONSTRAINT "limit_book_id_revision_pk" PRIMARY KEY("id","revision")
);
--> statement-breakpoint
CREATE TABLE "machine" (
	"id" text PRIMARY KEY NOT NULL,
	"station" text NOT NULL,
	"name" text NOT NULL,
	"units" text NOT NULL
);
--> statement-breakpoint
ALTER TABLE "account" ADD CONSTRAINT "account_user_id_user_id_fk" FOREIGN KEY ("user_id") REFERENCES "public"."user"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "session" ADD CONSTRAINT "session_user_id_user_id_fk" FOREIGN KEY ("user_id") REFERENCES "public"."user"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "decision" ADD CONSTRAINT "decision_job_id_job_id_fk" FOREIGN KEY ("job_id") REFERENCES "public"."job"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "decision" ADD CONSTRAINT "decision_decided_by_user_id_fk" FOREIGN KEY ("decided_by") REFERENCES "public"."user"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "job" ADD CONSTRAINT "job_machine_id_machine_id_fk" FOREIGN KEY ("machine_id") REFERENCES "public"."machine"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "job" ADD CONSTRAINT "job_opened_by_user_id_fk" FOREIGN KEY ("opened_by") REFERENCES "public"."user"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "job" ADD CONSTRAINT "job_book_id_book_revision_limit_book_id_revision_fk" FOREIGN KEY ("book_id","book_revision") REFERENCES "public"."limit_book"("id","revision") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "reading" ADD CONSTRAINT "reading_job_id_job_id_fk" FOREIGN KEY ("job_id") REFERENCES "public"."job"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "reading" ADD CONSTRAINT "reading_gauge_id_gauge_id_fk" FOREIGN KEY ("gauge_id") REFERENCES "public"."gauge"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "reading" ADD CONSTRAINT "reading_taken_by_user_id_fk" FOREIGN KEY ("taken_by") REFERENCES "public"."user"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "reading" ADD CONSTRAINT "reading_supersedes_reading_id_fk" FOREIGN KEY ("supersedes") REFERENCES "public"."reading"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "report" ADD CONSTRAINT "report_job_id_job_id_fk" FOREIGN KEY ("job_id") REFERENCES "public"."job"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "report" ADD CONSTRAINT "report_machine_id_machine_id_fk" FOREIGN KEY ("machine_id") REFERENCES "public"."machine"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "report" ADD CONSTRAINT "report_signed_by_user_id_fk" FOREIGN KEY ("signed_by") REFERENCES "public"."user"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "review_event" ADD CONSTRAINT "review_event_job_id_job_id_fk" FOREIGN KEY ("job_id") REFERENCES "public"."job"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "review_event" ADD CONSTRAINT "review_event_acted_by_user_id_fk" FOREIGN KEY ("acted_by") REFERENCES "public"."user"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "step_confirmation" ADD CONSTRAINT "step_confirmation_job_id_job_id_fk" FOREIGN KEY ("job_id") REFERENCES "public"."job"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "step_confirmation" ADD CONSTRAINT "step_confirmation_confirmed_by_user_id_fk" FOREIGN KEY ("confirmed_by") REFERENCES "public"."user"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "account_user" ON "account" USING btree ("user_id");--> statement-breakpoint
CREATE INDEX "session_user" ON "session" USING btree ("user_id");--> statement-breakpoint
CREATE INDEX "decision_job" ON "decision" USING btree ("job_id","part");--> statement-breakpoint
CREATE INDEX "job_machine" ON "job" USING btree ("machine_id");--> statement-breakpoint
CREATE UNIQUE INDEX "reading_corrected_once" ON "reading" USING btree ("supersedes");--> statement-breakpoint
CREATE UNIQUE INDEX "reading_first_at_place" ON "reading" USING btree ("job_id","characteristic","stage","station","direction","repeat") WHERE "reading"."supersedes" is null;--> statement-breakpoint
CREATE UNIQUE INDEX "report_sequence" ON "report" USING btree ("machine_id","sequence");--> statement-breakpoint
CREATE INDEX "review_job" ON "review_event" USING btree ("job_id");--> statement-breakpoint
CREATE UNIQUE INDEX "step_confirmed_once" ON "step_confirmation" USING btree ("job_id","step");--> statement-breakpoint
CREATE INDEX "event_log_verb" ON "event_log" USING btree ("user_id","verb","at");