import { inches } from '../../ground/index.js';
import { type Conditions, choice, length, not, section } from './declare.js';

/** The parts of a case whose joints are chosen. */
export type JointPlace = 'bottom' | 'top' | 'shelf' | 'partition' | 'nailer';

/** A joint as it is chosen: what makes it stands with the construction, which hands its words over. */
export interface JointWords {
  readonly id: string;
  /** What it is called where it is chosen. */
  readonly words: string;
  /** Where it may be chosen. */
  readonly at: readonly JointPlace[];
  /** The settings that matter where it is chosen: `fasteners/dowel`. */
  readonly asks: readonly string[];
}

const FRAMED = { 'frame/fitted': 'fitted' } as const;
const MITRED = { 'making/kind': 'mitred' } as const;

/** The joints of a case and what they are fastened by, for the joints there are. */
export function jointSettings(joints: readonly JointWords[]) {
  const offered = (place: JointPlace): Readonly<Record<string, string>> =>
    Object.fromEntries(joints.flatMap(({ id, words, at }) => (at.includes(place) ? [[id, words]] : [])));
  /** Where one of the joints that ask for a setting is chosen. */
  const asked = (setting: string): Conditions[] =>
    joints.flatMap(({ id, at, asks }) =>
      asks.includes(setting) ? at.map((where) => ({ [`joints/${where}`]: id })) : [],
    );
  return section('Joints', {
    joints: {
      bottom: choice('bottom joint', offered('bottom'), {
        metric: 'screws',
        trade:
          'Butt joints keep the bottom at the inside width. A dado or rabbet lengthens it by the depth at each end and carries the load.',
      }),
      top: choice('top joint', offered('top'), { metric: 'screws' }),
      shelf: choice('fixed shelf and frame joint', offered('shelf'), { metric: 'screws' }),
      partition: choice('partition joint', offered('partition'), { metric: 'screws' }),
      nailer: choice(
        'nailer joint',
        { usual: 'screws where hidden, else pocket screws', ...offered('nailer') } as Readonly<Record<string, string>>,
        { metric: 'usual', since: 6, when: { 'nailer/rails': not('none') } },
      ),
      dadoDepth: length('dado depth', {
        min: 1,
        max: 30,
        metric: 6,
        inch: inches(1 / 4),
        when: asked('joints/dadoDepth'),
      }),
      dadoStop: length('dado stops short of a front edge that shows', {
        max: 60,
        metric: 10,
        inch: inches(3 / 8),
        since: 8,
        before: 0,
        when: asked('joints/dadoStop'),
        trade:
          'The front edge stays whole, and the corner of what sits in the dado is notched by as much. 0 lets the dado run out, as under a band or a frame.',
      }),
      rabbetDepth: length('rabbet depth', {
        min: 1,
        max: 30,
        metric: 8,
        inch: inches(3 / 8),
        when: asked('joints/rabbetDepth'),
      }),
    },
    fasteners: {
      first: length('first screw from an edge', {
        min: 10,
        max: 200,
        metric: 50,
        inch: inches(2),
        when: asked('fasteners/first'),
      }),
      spacing: length('screws at most apart', {
        min: 40,
        max: 600,
        metric: 200,
        inch: inches(8),
        when: asked('fasteners/spacing'),
      }),
      pilot: length('screw hole', {
        min: 1,
        max: 12,
        metric: 4.5,
        inch: inches(3 / 16),
        when: asked('fasteners/pilot'),
      }),
      screwLength: length('screw length', {
        min: 10,
        max: 150,
        metric: 50,
        inch: inches(2),
        when: asked('fasteners/screwLength'),
      }),
      screwStep: length('screw lengths come in steps of', {
        min: 1,
        max: 20,
        metric: 5,
        inch: inches(1 / 4),
        since: 17,
      }),
      skin: length('wood left between two cuts, and from a hole to an edge, at least', {
        min: 0.5,
        max: 10,
        metric: 2,
        inch: inches(1 / 16),
        since: 16,
      }),
      hold: length('screw in an end or edge at least', {
        min: 5,
        max: 100,
        metric: 25,
        inch: inches(1),
        since: 8,
        when: asked('fasteners/hold'),
      }),
      pocketReach: length('pocket screw into the next part', {
        min: 4,
        max: 60,
        metric: 12,
        inch: inches(1 / 2),
        when: [...asked('fasteners/pocketReach'), FRAMED],
      }),
      pocketSpacing: length('pocket screws at most apart', {
        min: 40,
        max: 400,
        metric: 125,
        inch: inches(5),
        when: [...asked('fasteners/pocketSpacing'), FRAMED],
      }),
      dowel: length('dowel diameter', {
        min: 3,
        max: 20,
        metric: 8,
        inch: inches(5 / 16),
        when: asked('fasteners/dowel'),
      }),
      dowelInFace: length('dowel depth in a face', {
        min: 3,
        max: 40,
        metric: 12,
        inch: inches(1 / 2),
        when: asked('fasteners/dowelInFace'),
      }),
      dowelInEnd: length('dowel depth in an end', {
        min: 5,
        max: 60,
        metric: 28,
        inch: inches(1 + 1 / 8),
        when: asked('fasteners/dowelInEnd'),
      }),
      tenonLength: length('loose tenon width', {
        min: 5,
        max: 60,
        metric: 23,
        inch: inches(7 / 8),
        when: [...asked('fasteners/tenonLength'), MITRED],
      }),
      tenonThickness: length('loose tenon thickness', {
        min: 3,
        max: 20,
        metric: 5,
        inch: inches(3 / 16),
        when: [...asked('fasteners/tenonThickness'), MITRED],
      }),
      tenonDepth: length('loose tenon depth in each part', {
        min: 3,
        max: 60,
        metric: 15,
        inch: inches(5 / 8),
        when: [...asked('fasteners/tenonDepth'), MITRED],
      }),
    },
  });
}
