import { fillSchools, fillYounger, type HouseSet, houseSetFor } from '../settings/index.js';
import { type Data, isData } from './data.js';
import type { Form } from './form.js';
import { withYoungerKinds } from './hardware.js';
import { inchMaterials, metricMaterials } from './houses/stock.js';

function youngerHouse(
  { declared }: Form,
  house: Data,
  version: number,
  set: HouseSet,
  materials: ReadonlySet<unknown>,
): Data {
  const { all, schools } = house;
  return {
    ...house,
    ...(isData(all) ? { all: fillYounger(all, version, set, declared.leaves) } : {}),
    ...(isData(schools) ? { schools: fillSchools(schools, set, materials) } : {}),
  };
}

/** Materials that younger roles are made of, where the job has none of that id. */
function youngerMaterials({ declared }: Form, data: Data, version: number, set: HouseSet): Data {
  const { materials } = data;
  if (!Array.isArray(materials)) return {};
  const known = materialIds(data);
  const wanted = new Set(
    declared.leaves
      .filter(({ path, since }) => path[0] === 'materials' && since > version)
      .map(({ defaults }) => defaults[set] as string)
      .filter((id) => !known.has(id)),
  );
  const stock = set === 'inch' ? inchMaterials : metricMaterials;
  const added = stock.filter(({ id }) => wanted.has(id));
  return added.length > 0 ? { materials: [...materials, ...structuredClone(added)] } : {};
}

function materialIds({ materials }: Data): ReadonlySet<unknown> {
  return new Set(Array.isArray(materials) ? materials.map((each) => (isData(each) ? each.id : undefined)) : []);
}

/** What is younger than the document: schools as they start, settings at what it did without them, kinds of hardware with their catalogue. */
export function withYounger(form: Form, data: Data, version: number): Data {
  const { house, display, hardware } = data;
  const set = houseSetFor(isData(display) && display.unit === 'in' ? 'in' : 'mm');
  return {
    ...data,
    ...youngerMaterials(form, data, version, set),
    ...(isData(house) ? { house: youngerHouse(form, house, version, set, materialIds(data)) } : {}),
    ...(isData(hardware) ? { hardware: withYoungerKinds(form.kinds, hardware, version) } : {}),
  };
}
