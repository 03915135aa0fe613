ALTER TABLE "gauge" DROP CONSTRAINT "gauge_code_unique";--> statement-breakpoint
ALTER TABLE "gauge" ADD COLUMN "replaced" boolean DEFAULT false NOT NULL;--> statement-breakpoint
CREATE UNIQUE INDEX "gauge_code_in_use" ON "gauge" USING btree ("code") WHERE NOT "gauge"."replaced";