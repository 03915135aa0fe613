ALTER TABLE "job" ALTER COLUMN "book_id" DROP NOT NULL;--> statement-breakpoint
ALTER TABLE "job" ALTER COLUMN "book_revision" DROP NOT NULL;--> statement-breakpoint
ALTER TABLE "limit_book" ADD COLUMN "stored_at" timestamp with time zone DEFAULT now() NOT NULL;--> statement-breakpoint
ALTER TABLE "job" ADD CONSTRAINT "job_book_whole" CHECK (("job"."book_id" IS NULL) = ("job"."book_revision" IS NULL));