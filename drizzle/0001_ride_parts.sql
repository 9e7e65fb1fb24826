CREATE TABLE "ride_parts" (
	"ride_id" text NOT NULL,
	"part" integer NOT NULL,
	"samples" "bytea" NOT NULL,
	CONSTRAINT "ride_parts_ride_id_part_pk" PRIMARY KEY("ride_id","part")
);
--> statement-breakpoint
ALTER TABLE "ride_parts" ADD CONSTRAINT "ride_parts_ride_id_rides_id_fk" FOREIGN KEY ("ride_id") REFERENCES "public"."rides"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
INSERT INTO "ride_parts" ("ride_id", "part", "samples") SELECT "id", 0, "samples" FROM "rides";--> statement-breakpoint
ALTER TABLE "rides" DROP COLUMN "samples";