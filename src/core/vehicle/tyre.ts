import { bisect } from '../numeric/bisect';
import { tabulated } from '../numeric/tabulated';

/**
 * Magic Formula tyre with combined slip by similarity (Pacejka, Tire and Vehicle Dynamics, 3rd ed. 2012, 4.3).
 * Slips are given as tan α and κ; forces in N per wheel.
 */
export interface TyreSpec {
  /** Peak friction at the nominal load, nominal load in N, and the share of µ lost per doubling step of load. */
  mu0: number;
  nominalLoadN: number;
  loadSensitivity: number;
  /** Shape and curvature factors, lateral and longitudinal. */
  cy: number;
  ey: number;
  cx: number;
  ex: number;
  /** Slip at the peak: tan α (lateral) and κ (longitudinal). */
  peakTanAlpha: number;
  peakKappa: number;
}

export interface TyreForces {
  fx: number;
  fy: number;
}

/** What a tyre is asked at, and what it gives: combined slip ρ is 1 at the peak. */
export interface Contact extends TyreForces {
  kappa: number;
  tanAlpha: number;
  load: number;
  rho: number;
}

/** A tyre ready to be evaluated a thousand times a second. */
export interface Tyre {
  /** Friction at a wheel load in N. */
  friction(load: number): number;
  /**
   * Forces at slips κ and tan α (positive tan α pushes left) under a wheel load; written to `out`.
   * @returns the combined slip ρ, 1 at the peak
   */
  forces(kappa: number, tanAlpha: number, load: number, out: TyreForces): number;
  /** The same at a contact, which it writes to. */
  press(contact: Contact): void;
  /** Lateral force per tan α at zero slip, N. */
  corneringStiffness(load: number): number;
  /** tan α that gives a lateral force in N under a wheel load, at most the peak. */
  slipFor(force: number, load: number): number;
}

const LEAST_SLIP = 1e-9;

export function makeTyre(spec: TyreSpec): Tyre {
  const lateral = shape(spec.cy, spec.ey, spec.peakTanAlpha);
  const longitudinal = shape(spec.cx, spec.ex, spec.peakKappa);
  const friction = (load: number) => spec.mu0 * (1 - spec.loadSensitivity * (load / spec.nominalLoadN - 1));
  const press = (contact: Contact) => {
    const sx = contact.kappa / spec.peakKappa;
    const sy = contact.tanAlpha / spec.peakTanAlpha;
    const { load } = contact;
    const rho = Math.sqrt(sx * sx + sy * sy);
    contact.rho = rho;
    if (load <= 0 || rho < LEAST_SLIP) {
      contact.fx = 0;
      contact.fy = 0;
      return;
    }
    const peak = friction(load) * load;
    // A wheel that rolls freely is asked for its side force alone.
    contact.fx = sx === 0 ? 0 : (peak * longitudinal.at(rho) * sx) / rho;
    contact.fy = (peak * lateral.at(rho) * sy) / rho;
  };
  return {
    friction,
    press,
    forces(kappa, tanAlpha, load, out) {
      const contact = { kappa, tanAlpha, load, fx: 0, fy: 0, rho: 0 };
      press(contact);
      out.fx = contact.fx;
      out.fy = contact.fy;
      return contact.rho;
    },
    corneringStiffness: (load) => (friction(load) * load * lateral.slope) / spec.peakTanAlpha,
    slipFor(force, load) {
      const wanted = Math.min(1, Math.abs(force) / (friction(load) * load));
      return Math.sign(force) * lateral.inverse(wanted) * spec.peakTanAlpha;
    },
  };
}

/** The pneumatic trail's shape factor, and the share of the peak slip at which it is gone. */
const TRAIL_SHAPE = 1.4;
const TRAIL_GONE = 1.1;
const LEAST_TRAIL = -0.1;

/**
 * Pneumatic trail over load and combined slip: t0·(Fz/Fz0)·max(−0.1, cos(C·arctan(B·s))), zero at 1.1 times the peak
 * (Pacejka 2012, 4.3.2, its cosine form).
 * @returns a function of load in N and combined slip ρ, giving m
 */
export function makeTrail(atNominalM: number, nominalLoadN: number) {
  const stiffness = Math.tan(Math.PI / (2 * TRAIL_SHAPE)) / TRAIL_GONE;
  const share = tabulated(
    (rho) => Math.max(LEAST_TRAIL, Math.cos(TRAIL_SHAPE * Math.atan(stiffness * rho))),
    TABLE_TO,
    TABLE_PER_PEAK,
  );
  return (load: number, rho: number): number => atNominalM * (load / nominalLoadN) * share(rho);
}

const TABLE_STEPS = 400;
/** The formula is asked thousands of times a second: it stands in a table up to this many peaks, off by under 1e-5. */
const TABLE_TO = 12;
const TABLE_PER_PEAK = 512;
/** The inverse stops short of the flat top, where a little more force would ask for much more slip. */
const INVERSE_TOP = 0.98;

/** The formula over slip in units of its peak: 0 at 0, 1 at 1. */
function shape(c: number, e: number, peakSlip: number) {
  const b = stiffnessFactor(c, e) / peakSlip;
  const exactly = (rho: number) => {
    const bx = b * rho * peakSlip;
    return Math.sin(c * Math.atan(bx - e * (bx - Math.atan(bx))));
  };
  const at = tabulated(exactly, TABLE_TO, TABLE_PER_PEAK);
  const table = Float64Array.from({ length: TABLE_STEPS + 1 }, (_, i) => at(i / TABLE_STEPS));
  return {
    at,
    slope: c * b * peakSlip,
    inverse(level: number) {
      const wanted = Math.min(level, INVERSE_TOP);
      const high = bisect(0, TABLE_STEPS, (i) => table[i]! > wanted);
      const low = high - 1;
      return (low + (wanted - table[low]!) / (table[high]! - table[low]!)) / TABLE_STEPS;
    },
  };
}

/** B·x at the peak: the root of y − E·(y − atan y) = tan(π/2C). */
function stiffnessFactor(c: number, e: number): number {
  const wanted = Math.tan(Math.PI / (2 * c));
  let low = 0;
  let high = 100 * Math.abs(wanted);
  for (let i = 0; i < 200; i++) {
    const y = (low + high) / 2;
    if (y - e * (y - Math.atan(y)) < wanted) low = y;
    else high = y;
  }
  return (low + high) / 2;
}
