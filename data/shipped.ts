import { array, shipped } from '@/core/format';
import { unitSchema } from '@/core/unit';
import hadricFive from './units/hadric-five.json';
import ostrelEight from './units/ostrel-eight.json';
import ostrelFiveX from './units/ostrel-five-x.json';
import ostrelFour from './units/ostrel-four.json';
import ostrelSix from './units/ostrel-six.json';

/** The unit families that ship, checked by the tests, so trusted here. */
export const shippedUnits = shipped(array(unitSchema), [
  ostrelFour,
  ostrelFiveX,
  ostrelSix,
  hadricFive,
  ostrelEight,
]);
