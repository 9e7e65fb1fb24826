CREATE TABLE "answers" (
	"experiment_id" text NOT NULL,
	"place" integer NOT NULL,
	"at" timestamp with time zone NOT NULL,
	"said" jsonb NOT NULL,
	CONSTRAINT "answers_experiment_id_place_pk" PRIMARY KEY("experiment_id","place")
);
--> statement-breakpoint
CREATE TABLE "experiments" (
	"id" text PRIMARY KEY NOT NULL,
	"at" timestamp with time zone NOT NULL,
	"rig_id" text NOT NULL,
	"title_id" text NOT NULL,
	"car_id" text NOT NULL,
	"driver" text NOT NULL,
	"branch" text NOT NULL,
	"track_id" text NOT NULL,
	"plan" jsonb NOT NULL,
	"state" text NOT NULL,
	"decision" text
);
--> statement-breakpoint
CREATE TABLE "ratings" (
	"experiment_id" text NOT NULL,
	"place" integer NOT NULL,
	"dimension" text NOT NULL,
	"rating" integer NOT NULL,
	CONSTRAINT "ratings_experiment_id_place_dimension_pk" PRIMARY KEY("experiment_id","place","dimension")
);
--> statement-breakpoint
CREATE TABLE "sealed_orders" (
	"experiment_id" text PRIMARY KEY NOT NULL,
	"orders" jsonb NOT NULL,
	"salt" text NOT NULL,
	"loaded" jsonb,
	"files" jsonb
);
--> statement-breakpoint
CREATE TABLE "trials" (
	"id" text PRIMARY KEY NOT NULL,
	"experiment_id" text NOT NULL,
	"place" integer NOT NULL,
	"at" timestamp with time zone NOT NULL,
	"outcome" text NOT NULL,
	"ride_id" text,
	"values" jsonb,
	"software" text NOT NULL
);
--> statement-breakpoint
ALTER TABLE "answers" ADD CONSTRAINT "answers_experiment_id_experiments_id_fk" FOREIGN KEY ("experiment_id") REFERENCES "public"."experiments"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "experiments" ADD CONSTRAINT "experiments_rig_id_rigs_id_fk" FOREIGN KEY ("rig_id") REFERENCES "public"."rigs"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "ratings" ADD CONSTRAINT "ratings_experiment_id_experiments_id_fk" FOREIGN KEY ("experiment_id") REFERENCES "public"."experiments"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "sealed_orders" ADD CONSTRAINT "sealed_orders_experiment_id_experiments_id_fk" FOREIGN KEY ("experiment_id") REFERENCES "public"."experiments"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "trials" ADD CONSTRAINT "trials_experiment_id_experiments_id_fk" FOREIGN KEY ("experiment_id") REFERENCES "public"."experiments"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "experiments_by_scope" ON "experiments" USING btree ("rig_id","title_id","car_id","driver","at");--> statement-breakpoint
CREATE INDEX "trials_by_experiment" ON "trials" USING btree ("experiment_id","place");