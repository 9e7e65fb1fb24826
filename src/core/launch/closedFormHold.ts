import { GRAVITY, wheelbaseOf, type CarSpec } from '../vehicle/carSpec';
import { clutchTravelFor } from '../vehicle/driveline';
import { gearing, type DrivelineSpec } from '../vehicle/drivelineSpec';
import { makeTwoTrack } from '../vehicle/twoTrack';

const ROUNDS = 40;

/**
 * The clutch travel at which it carries just what the driven tyres hold: capacity = µ(F_z)·N·r/n, with the load that goes to
 * them under that acceleration. What turns the wheels themselves comes on top.
 */
export function closedFormHold(car: CarSpec, { gears, clutch, drive }: DrivelineSpec): number {
  const { tyreFront, tyreRear } = makeTwoTrack(car);
  const n = gearing(gears, 1);
  const length = wheelbaseOf(car);
  const along = (a: number) => {
    const shift = (car.massKg * a * car.heightM) / length;
    const rear = (car.massKg * GRAVITY * car.frontM) / length + shift;
    const front = (car.massKg * GRAVITY * car.rearM) / length - shift;
    const rearHolds = tyreRear.friction(rear / 2) * rear;
    const frontHolds = tyreFront.friction(front / 2) * front;
    // Torque goes to the axles by their shares: the one that gives way first decides.
    return Math.min(
      drive.frontShare < 1 ? rearHolds / (1 - drive.frontShare) : Infinity,
      drive.frontShare > 0 ? frontHolds / drive.frontShare : Infinity,
    );
  };
  let force = 0;
  for (let k = 0; k < ROUNDS; k++) force = along(force / car.massKg);
  return clutchTravelFor(clutch, (force * car.wheelRadiusM) / n);
}
