CREATE TABLE "document_page" (
	"id" uuid PRIMARY KEY NOT NULL,
	"machine_id" text NOT NULL,
	"document" text NOT NULL,
	"page" text NOT NULL,
	"width" integer NOT NULL,
	"height" integer NOT NULL,
	"bytes" "bytea" NOT NULL,
	"small" "bytea" NOT NULL,
	"sha256" text NOT NULL,
	"added_by" text NOT NULL,
	"by_name" text NOT NULL,
	"added_at" timestamp with time zone NOT NULL
);
--> statement-breakpoint
ALTER TABLE "document_page" ADD CONSTRAINT "document_page_machine_id_machine_id_fk" FOREIGN KEY ("machine_id") REFERENCES "public"."machine"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "document_page" ADD CONSTRAINT "document_page_added_by_user_id_fk" FOREIGN KEY ("added_by") REFERENCES "public"."user"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "document_page_machine" ON "document_page" USING btree ("machine_id");--> statement-breakpoint
CREATE TRIGGER document_page_append_only BEFORE UPDATE OR DELETE OR TRUNCATE ON "document_page" FOR EACH STATEMENT EXECUTE FUNCTION refuse_change();
