ALTER TABLE "user" ADD COLUMN "station" text;--> statement-breakpoint
ALTER TABLE "user" ADD COLUMN "disabled_at" timestamp with time zone;