ALTER TABLE "gauge" RENAME COLUMN "resolution_mm" TO "resolution";--> statement-breakpoint
ALTER TABLE "gauge" RENAME COLUMN "maximum_permissible_error_mm" TO "maximum_permissible_error";--> statement-breakpoint
ALTER TABLE "gauge" RENAME COLUMN "least_mm" TO "least";--> statement-breakpoint
ALTER TABLE "gauge" RENAME COLUMN "greatest_mm" TO "greatest";--> statement-breakpoint
ALTER TABLE "gauge" ADD COLUMN "calibration" jsonb;--> statement-breakpoint
ALTER TABLE "gauge" ADD COLUMN "corrections" jsonb DEFAULT '[]'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "gauge" ADD COLUMN "expansion_per_k" numeric;--> statement-breakpoint
ALTER TABLE "reading" RENAME COLUMN "value_mm" TO "value";--> statement-breakpoint
ALTER TABLE "reading" ALTER COLUMN "value" DROP NOT NULL;--> statement-breakpoint
ALTER TABLE "reading" ALTER COLUMN "gauge_id" DROP NOT NULL;--> statement-breakpoint
ALTER TABLE "reading" ADD COLUMN "kind" text DEFAULT 'point' NOT NULL;--> statement-breakpoint
ALTER TABLE "reading" ADD COLUMN "low" numeric;--> statement-breakpoint
ALTER TABLE "reading" ADD COLUMN "high" numeric;--> statement-breakpoint
ALTER TABLE "reading" ADD COLUMN "conditions" jsonb;
