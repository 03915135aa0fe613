CREATE TABLE "job_entry" (
	"id" uuid PRIMARY KEY NOT NULL,
	"seq" bigserial NOT NULL,
	"job_id" text NOT NULL,
	"subject" text NOT NULL,
	"body" jsonb NOT NULL,
	"noted_by" text NOT NULL,
	"noted_at" timestamp with time zone NOT NULL
);
--> statement-breakpoint
CREATE TABLE "picture" (
	"id" uuid PRIMARY KEY NOT NULL,
	"job_id" text NOT NULL,
	"type" text NOT NULL,
	"width" integer NOT NULL,
	"height" integer NOT NULL,
	"bytes" "bytea" NOT NULL,
	"small" "bytea" NOT NULL,
	"sha256" text NOT NULL,
	"added_by" text NOT NULL,
	"added_at" timestamp with time zone NOT NULL
);
--> statement-breakpoint
CREATE TABLE "machine_hours" (
	"id" uuid PRIMARY KEY NOT NULL,
	"machine_id" text NOT NULL,
	"hours" integer NOT NULL,
	"read_on" date NOT NULL,
	"read_by" text NOT NULL,
	"note" text DEFAULT '' NOT NULL,
	"noted_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
ALTER TABLE "job" ADD COLUMN "level" text;--> statement-breakpoint
ALTER TABLE "job" ADD COLUMN "complaint" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "job" ADD COLUMN "return_by" date;--> statement-breakpoint
ALTER TABLE "gauge" ADD COLUMN "least_mm" numeric;--> statement-breakpoint
ALTER TABLE "gauge" ADD COLUMN "greatest_mm" numeric;--> statement-breakpoint
ALTER TABLE "machine" ADD COLUMN "book_id" text;--> statement-breakpoint
ALTER TABLE "job_entry" ADD CONSTRAINT "job_entry_job_id_job_id_fk" FOREIGN KEY ("job_id") REFERENCES "public"."job"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "job_entry" ADD CONSTRAINT "job_entry_noted_by_user_id_fk" FOREIGN KEY ("noted_by") REFERENCES "public"."user"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "picture" ADD CONSTRAINT "picture_job_id_job_id_fk" FOREIGN KEY ("job_id") REFERENCES "public"."job"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "picture" ADD CONSTRAINT "picture_added_by_user_id_fk" FOREIGN KEY ("added_by") REFERENCES "public"."user"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "machine_hours" ADD CONSTRAINT "machine_hours_machine_id_machine_id_fk" FOREIGN KEY ("machine_id") REFERENCES "public"."machine"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "machine_hours" ADD CONSTRAINT "machine_hours_read_by_user_id_fk" FOREIGN KEY ("read_by") REFERENCES "public"."user"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE UNIQUE INDEX "job_entry_order" ON "job_entry" USING btree ("job_id","seq");--> statement-breakpoint
CREATE INDEX "job_entry_subject" ON "job_entry" USING btree ("job_id","subject");--> statement-breakpoint
CREATE INDEX "picture_job" ON "picture" USING btree ("job_id");--> statement-breakpoint
CREATE INDEX "machine_hours_machine" ON "machine_hours" USING btree ("machine_id","read_on");