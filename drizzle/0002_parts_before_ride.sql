ALTER TABLE "ride_parts" DROP CONSTRAINT "ride_parts_ride_id_rides_id_fk";--> statement-breakpoint
ALTER TABLE "ride_parts" ALTER COLUMN "samples" SET STORAGE EXTERNAL;--> statement-breakpoint
ALTER TABLE "capture_parts" ALTER COLUMN "samples" SET STORAGE EXTERNAL;
