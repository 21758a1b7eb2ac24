import { meets } from '../../build/index.js';
import type { FindingDraft, FindingRule } from '../../cabinet/index.js';
import { ownPathTo } from '../../decisions/index.js';
import { capital, within } from '../../ground/index.js';
import { type Extent, hollowedOf, type Part, type PartRole, sharedVolume } from '../../part/index.js';

/** What is pushed in, pulled out or laid on pins cannot be cut round something and still move. */
const MOVES: ReadonlySet<PartRole> = new Set(['drawer box', 'shelf', 'door', 'drawer front']);

/** Less is a hair of rounding (mm³). */
const LEAST_TAKEN = 5;

/** True where wood of a part is in a keep-out box: what is cut out of it leaves it free. */
function stands(part: Part, extent: Extent): boolean {
  return sharedVolume(hollowedOf(part), { blank: extent, blocks: [], prisms: [] }) > LEAST_TAKEN;
}

/** Something stands where nothing may. */
const inTheWay: FindingRule = {
  id: 'zones/in-the-way',
  check: ({ parts, occupied, resolved }) =>
    resolved.given.zones.flatMap(({ id, name, extent }): FindingDraft[] => {
      const met = parts.filter((part) => meets(part.extent, extent) && stands(part, extent));
      const taken = occupied.filter((room) => room.fills && meets(room.extent, extent));
      if (met.length === 0 && taken.length === 0) return [];
      const moving = met.filter(({ role }) => MOVES.has(role));
      const stops = moving.length > 0 || taken.length > 0;
      const told = [...names(moving.length > 0 ? moving : met), ...taken.map((room) => room.name)];
      return [
        {
          severity: stops ? 'stop' : 'warn',
          what: `${capital(told.slice(0, 4).join(', '))}${told.length > 4 ? ` and ${told.length - 4} more` : ''} ${told.length === 1 ? 'takes' : 'take'} room that ${name} needs.`,
          why: stops
            ? 'It cannot be cut round something and still move. Divide the room otherwise, make it shorter, or move the keep-out box.'
            : 'What is fixed has to be cut out there, once what comes through has been measured.',
          parts: met.map(({ key }) => key),
          settings: [ownPathTo.zone(id)],
        },
      ];
    }),
};

/** Several parts of one thing are named once. */
function names(parts: readonly Part[]): string[] {
  return [...new Set(parts.map(({ name, role }) => within(role === 'drawer box' ? name.replace(/: .*$/, '') : name)))];
}

/** A keep-out box that lies wholly outside its cabinet says nothing. */
const outside: FindingRule = {
  id: 'zones/outside',
  check: ({ box, resolved }) =>
    resolved.given.zones.flatMap(({ id, name, extent }): FindingDraft[] => {
      const whole = {
        min: [0, box.mountingPlane.value, 0] as const,
        max: [box.width.value, box.sideDepth.value, box.height.value] as const,
      };
      if (meets(extent, whole)) return [];
      return [
        {
          severity: 'note',
          what: `${capital(name)} lies outside the box.`,
          why: 'It keeps nothing free there. Its place is measured from the left face, the underside and the front edge of the box.',
          settings: [ownPathTo.zone(id)],
        },
      ];
    }),
};

export const zoneRules: readonly FindingRule[] = [inTheWay, outside];
