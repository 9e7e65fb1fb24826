CREATE TABLE "capture_parts" (
	"capture_id" text NOT NULL,
	"from_row" integer NOT NULL,
	"rows" integer NOT NULL,
	"samples" "bytea" NOT NULL,
	CONSTRAINT "capture_parts_capture_id_from_row_pk" PRIMARY KEY("capture_id","from_row")
);
--> statement-breakpoint
CREATE TABLE "captures" (
	"id" text PRIMARY KEY NOT NULL,
	"rig_id" text NOT NULL,
	"axis" text NOT NULL,
	"driver" text NOT NULL,
	"made_at" timestamp with time zone NOT NULL,
	"status" text NOT NULL,
	"origin" text NOT NULL,
	"head" jsonb NOT NULL,
	"rows" integer NOT NULL,
	"analysis" jsonb
);
--> statement-breakpoint
CREATE TABLE "changes" (
	"seq" serial PRIMARY KEY NOT NULL,
	"id" text NOT NULL,
	"at" timestamp with time zone NOT NULL,
	"kind" text NOT NULL,
	"rig_id" text NOT NULL,
	"title_id" text,
	"car_id" text,
	"driver" text,
	"branch" text NOT NULL,
	"layer" text,
	"axis" text,
	"field" text,
	"from_value" jsonb,
	"to_value" jsonb,
	"why" text NOT NULL,
	"undoes" text,
	CONSTRAINT "changes_id_unique" UNIQUE("id")
);
--> statement-breakpoint
CREATE TABLE "combinations" (
	"rig_id" text NOT NULL,
	"title_id" text NOT NULL,
	"car_id" text NOT NULL,
	"driver" text NOT NULL,
	"branch" text NOT NULL,
	"opened_at" timestamp with time zone NOT NULL,
	"typed_in" jsonb,
	CONSTRAINT "combinations_rig_id_title_id_car_id_driver_branch_pk" PRIMARY KEY("rig_id","title_id","car_id","driver","branch")
);
--> statement-breakpoint
CREATE TABLE "facts" (
	"key" text PRIMARY KEY NOT NULL,
	"value" jsonb NOT NULL
);
--> statement-breakpoint
CREATE TABLE "own_dialects" (
	"id" text PRIMARY KEY NOT NULL,
	"kind" text NOT NULL,
	"at" timestamp with time zone NOT NULL,
	"document" jsonb NOT NULL
);
--> statement-breakpoint
CREATE TABLE "proofs" (
	"id" text PRIMARY KEY NOT NULL,
	"rig_id" text NOT NULL,
	"title_id" text NOT NULL,
	"driver" text NOT NULL,
	"at" timestamp with time zone NOT NULL,
	"results" jsonb NOT NULL,
	"basis" text NOT NULL
);
--> statement-breakpoint
CREATE TABLE "rides" (
	"id" text PRIMARY KEY NOT NULL,
	"at" timestamp with time zone NOT NULL,
	"rig_id" text NOT NULL,
	"title_id" text NOT NULL,
	"car_id" text NOT NULL,
	"driver" text NOT NULL,
	"branch" text NOT NULL,
	"track_id" text NOT NULL,
	"seed" integer NOT NULL,
	"settings" jsonb NOT NULL,
	"mark" text,
	"head" jsonb NOT NULL,
	"samples" "bytea" NOT NULL
);
--> statement-breakpoint
CREATE TABLE "rigs" (
	"id" text PRIMARY KEY NOT NULL,
	"name" text NOT NULL,
	"spec" jsonb NOT NULL,
	"created_at" timestamp with time zone NOT NULL
);
--> statement-breakpoint
CREATE TABLE "ticks" (
	"rig_id" text NOT NULL,
	"title_id" text NOT NULL,
	"item_id" text NOT NULL,
	"at" timestamp with time zone NOT NULL,
	"state" jsonb NOT NULL,
	CONSTRAINT "ticks_rig_id_title_id_item_id_pk" PRIMARY KEY("rig_id","title_id","item_id")
);
--> statement-breakpoint
ALTER TABLE "capture_parts" ADD CONSTRAINT "capture_parts_capture_id_captures_id_fk" FOREIGN KEY ("capture_id") REFERENCES "public"."captures"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "captures" ADD CONSTRAINT "captures_rig_id_rigs_id_fk" FOREIGN KEY ("rig_id") REFERENCES "public"."rigs"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "changes" ADD CONSTRAINT "changes_rig_id_rigs_id_fk" FOREIGN KEY ("rig_id") REFERENCES "public"."rigs"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "combinations" ADD CONSTRAINT "combinations_rig_id_rigs_id_fk" FOREIGN KEY ("rig_id") REFERENCES "public"."rigs"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "proofs" ADD CONSTRAINT "proofs_rig_id_rigs_id_fk" FOREIGN KEY ("rig_id") REFERENCES "public"."rigs"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "rides" ADD CONSTRAINT "rides_rig_id_rigs_id_fk" FOREIGN KEY ("rig_id") REFERENCES "public"."rigs"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "ticks" ADD CONSTRAINT "ticks_rig_id_rigs_id_fk" FOREIGN KEY ("rig_id") REFERENCES "public"."rigs"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "captures_by_rig" ON "captures" USING btree ("rig_id","axis","made_at");--> statement-breakpoint
CREATE INDEX "changes_by_rig" ON "changes" USING btree ("rig_id","seq");--> statement-breakpoint
CREATE INDEX "proofs_by_scope" ON "proofs" USING btree ("rig_id","title_id","driver","at");--> statement-breakpoint
CREATE INDEX "rides_by_scope" ON "rides" USING btree ("rig_id","title_id","car_id","driver","at");