CREATE TABLE "book_standing" (
	"id" uuid PRIMARY KEY NOT NULL,
	"book_id" text NOT NULL,
	"revision" text NOT NULL,
	"retired" boolean NOT NULL,
	"reason" text NOT NULL,
	"said_by" text NOT NULL,
	"by_name" text NOT NULL,
	"said_at" timestamp with time zone NOT NULL
);
--> statement-breakpoint
ALTER TABLE "book_standing" ADD CONSTRAINT "book_standing_said_by_user_id_fk" FOREIGN KEY ("said_by") REFERENCES "public"."user"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "book_standing" ADD CONSTRAINT "book_standing_book_id_revision_limit_book_id_revision_fk" FOREIGN KEY ("book_id","revision") REFERENCES "public"."limit_book"("id","revision") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "book_standing_book" ON "book_standing" USING btree ("book_id","revision","said_at");--> statement-breakpoint
CREATE TRIGGER book_standing_append_only BEFORE UPDATE OR DELETE OR TRUNCATE ON "book_standing" FOR EACH STATEMENT EXECUTE FUNCTION refuse_change();
