ALTER TABLE "account" ALTER COLUMN "created_at" DROP DEFAULT;--> statement-breakpoint
ALTER TABLE "account" ALTER COLUMN "updated_at" DROP DEFAULT;--> statement-breakpoint
ALTER TABLE "session" ALTER COLUMN "created_at" DROP DEFAULT;--> statement-breakpoint
ALTER TABLE "session" ALTER COLUMN "updated_at" DROP DEFAULT;--> statement-breakpoint
ALTER TABLE "user" ALTER COLUMN "created_at" DROP DEFAULT;--> statement-breakpoint
ALTER TABLE "user" ALTER COLUMN "updated_at" DROP DEFAULT;--> statement-breakpoint
ALTER TABLE "verification" ALTER COLUMN "created_at" DROP DEFAULT;--> statement-breakpoint
ALTER TABLE "verification" ALTER COLUMN "updated_at" DROP DEFAULT;--> statement-breakpoint
ALTER TABLE "decision" ALTER COLUMN "decided_at" DROP DEFAULT;--> statement-breakpoint
ALTER TABLE "reading" ALTER COLUMN "received_at" DROP DEFAULT;--> statement-breakpoint
ALTER TABLE "review_event" ALTER COLUMN "acted_at" DROP DEFAULT;--> statement-breakpoint
ALTER TABLE "step_confirmation" ALTER COLUMN "confirmed_at" DROP DEFAULT;--> statement-breakpoint
ALTER TABLE "event_log" ALTER COLUMN "at" DROP DEFAULT;--> statement-breakpoint
ALTER TABLE "limit_book" ALTER COLUMN "stored_at" DROP DEFAULT;--> statement-breakpoint
ALTER TABLE "machine_hours" ALTER COLUMN "noted_at" DROP DEFAULT;