/** One more friction in a pack where it fits, and what it brings. */
export interface AddedFriction {
  element: string;
  frictions: number;
  /** Worst torque margin with this engine, as built and with the friction added. */
  before: number;
  after: number;
  /** The steels it takes, m, and how far the piston is cut for it, m. */
  steel: number;
  pistonCut: number;
  /** Heat the steels can take compared with now. */
  heat: number;
  /** The margin as built is too thin for this engine. */
  weak: boolean;
}

/** Below this a dynamic element is called weak: heat and wear take the rest. */
const THIN_MARGIN = 1.2;

/** Whether a margin is too thin for a dynamic element. */
export const isWeak = (margin: number) => margin < THIN_MARGIN;

/** The same with an engine of so many times the stock torque. */
export const atTorque = (stock: readonly AddedFriction[], factor: number): AddedFriction[] =>
  stock.map((added) => {
    const before = added.before / factor;
    return { ...added, before, after: added.after / factor, weak: isWeak(before) };
  });
