/**
 * Version 9 knows what is behind a drawer front. Three figures that only told how wide a box might be (thickness and play
 * of the runners, thickness of the sides) are read from the runners' profiles and the boxes' material now.
 */
import { type Data, isData } from '../data.js';

const GONE = ['runnerThickness', 'runnerPlay', 'boxSide'] as const;

export function toVersion9(data: Data): Data {
  const { house, standards, cabinets } = data;
  return {
    ...data,
    ...(isData(house) ? { house: inHouse(house) } : {}),
    ...(isData(standards) ? { standards: inLayers(standards) } : {}),
    ...(Array.isArray(cabinets)
      ? {
          cabinets: cabinets.map((cabinet) =>
            isData(cabinet) && isData(cabinet.settings) ? { ...cabinet, settings: without(cabinet.settings) } : cabinet,
          ),
        }
      : {}),
  };
}

function inHouse(house: Data): Data {
  const { schools } = house;
  return { ...inLayers(house), ...(isData(schools) ? { schools: inLayers(schools) } : {}) };
}

/** Layers of settings by name; what is none of them stays as it is. */
function inLayers(layers: Data): Data {
  return Object.fromEntries(
    Object.entries(layers).map(([key, layer]) => [
      key,
      isData(layer) && isData(layer.drawers) ? without(layer) : layer,
    ]),
  );
}

function without(settings: Data): Data {
  const { drawers, ...rest } = settings;
  if (!isData(drawers)) return settings;
  const kept = Object.fromEntries(
    Object.entries(drawers).filter(([key]) => !(GONE as readonly string[]).includes(key)),
  );
  return Object.keys(kept).length > 0 ? { ...rest, drawers: kept } : rest;
}
