/**
 * Version 14 knows the shop's way of cutting, its stock, and layouts of sheets that were accepted. Documents from before
 * begin with the figures a new job of their unit begins with, and boards for each solid wood they have.
 */
import { type Material, startingStock, startingWorkshop } from '../../job/index.js';
import { houseSetFor } from '../../settings/index.js';
import { type Data, isData } from '../data.js';

export function toVersion14(data: Data): Data {
  const { display, materials } = data;
  const set = houseSetFor(isData(display) && display.unit === 'in' ? 'in' : 'mm');
  const solid = Array.isArray(materials) ? materials.filter(isSolid) : [];
  return { workshop: startingWorkshop(set), stock: startingStock(solid), ...data };
}

/** A solid wood of which all is said that boards are chosen by. */
function isSolid(material: unknown): material is Material {
  return (
    isData(material) &&
    material.form === 'solid' &&
    typeof material.id === 'string' &&
    typeof material.nominal === 'number' &&
    isData(material.sheet) &&
    typeof material.sheet.length === 'number'
  );
}
