import { stateFromValues } from '@/core/case';
import { inspection as data } from '@/data/inspection';
import { shippedUnits } from '@/data/shipped';
import { catalogueOf, inspectionOf, wrongFindings } from './index';

const six = inspectionOf(shippedUnits.find((u) => u.id === 'ostrel-six')!, catalogueOf(data));

test('a record is told by its rows, the worst first; what is sound, marked or our own doing is left out', () => {
  const state = stateFromValues({
    'part.k2-drum.condition': { is: 'worn' },
    'part.k1-drum.condition': { is: 'sound' },
    'part.k3-drum.condition': { is: 'takedown' },
    'face.K2.2.a.heat': { is: 'charred' },
    'face.K2.2.b.heat': { is: 'welded' },
    'face.K2.4.a.heat': { is: 'glazed' },
    'element.K2.count': { is: 5 },
    'gearset.front.pins.pinion-1': { is: 'silver' },
    'gearset.front.pins.pinion-2': { is: 'blue', where: 'pinion 2' },
  });
  const wrong = wrongFindings(six, state);
  expect(wrong.map((w) => w.row)).toEqual(['element.K2', 'gearset.front', 'part.k2-drum']);
  expect(wrong[0]).toMatchObject({ name: 'Clutch K2', station: 'k2-drum', severity: 6 });
  expect(wrong[0]!.words).toBe('friction plates in it 5; face welded, charred, glazed');
  expect(wrong[1]!.words).toBe('planet pins blue');
  expect(wrong[2]!.words).toBe('worn');
});
test('an empty record has nothing wrong in it', () => expect(wrongFindings(six, {})).toEqual([]));
