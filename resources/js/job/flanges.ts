import type {
  Cap,
  ClosedEnd,
  Collar,
  Flange,
  OpenEnd,
  OvalFlange,
  RectangularFlange,
  Reducer,
  SameFlange,
  StandardFlange,
} from '../api/types';

/** A flange with measures of its own. */
export type OwnFlange = Flange | RectangularFlange | OvalFlange;

/** Any finish of an end of a run. */
export type Finish = OpenEnd | ClosedEnd | Cap | Collar | Reducer | OwnFlange | StandardFlange | SameFlange;

export type AnyFlange = OwnFlange | StandardFlange | SameFlange;

export const isFlange = (finish: Finish): finish is AnyFlange => finish.type === 'flange';

export const isStandard = (flange: AnyFlange): flange is StandardFlange => 'standard' in flange;

export const isSame = (flange: AnyFlange): flange is SameFlange => 'same_as' in flange;
