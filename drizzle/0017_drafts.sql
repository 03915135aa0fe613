ALTER TABLE "limit_book" ADD COLUMN "change_id" uuid;--> statement-breakpoint
ALTER TABLE "limit_book" ADD CONSTRAINT "limit_book_change_id_unique" UNIQUE("change_id");