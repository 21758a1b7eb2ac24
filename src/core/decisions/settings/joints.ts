import { inches } from '../../ground/index.js';
import { choice, length, not, section } from './declare.js';

const JOINTS = {
  screws: 'butt, screwed through',
  pocket: 'butt, pocket screws',
  dowels: 'butt, dowels',
  tenons: 'butt, loose tenons',
  dado: 'dado',
} as const;
const END_JOINTS = { ...JOINTS, rabbet: 'rabbet' } as const;
const FRAMED = { 'frame/fitted': 'fitted' } as const;
const MITRED = { 'making/kind': 'mitred' } as const;
const JOINED = ['bottom', 'top', 'shelf', 'partition'] as const;
const anyJoint = (kind: string) => JOINED.map((where) => ({ [`joints/${where}`]: kind }));
const noJoint = (kind: string) => Object.fromEntries(JOINED.map((where) => [`joints/${where}`, not(kind)]));

export const joints = section('Joints', {
  joints: {
    bottom: choice('bottom joint', END_JOINTS, {
      metric: 'screws',
      trade:
        'Butt joints keep the bottom at the inside width. A dado or rabbet lengthens it by the depth at each end and carries the load.',
    }),
    top: choice('top joint', END_JOINTS, { metric: 'screws' }),
    shelf: choice('fixed shelf and frame joint', JOINTS, { metric: 'screws' }),
    partition: choice('partition joint', JOINTS, { metric: 'screws' }),
    nailer: choice(
      'nailer joint',
      {
        usual: 'screws where hidden, else pocket screws',
        screws: JOINTS.screws,
        pocket: JOINTS.pocket,
        dowels: JOINTS.dowels,
        tenons: JOINTS.tenons,
      },
      { metric: 'usual', since: 6, when: { 'nailer/rails': not('none') } },
    ),
    dadoDepth: length('dado depth', { min: 1, max: 30, metric: 6, inch: inches(1 / 4), when: anyJoint('dado') }),
    dadoStop: length('dado stops short of a front edge that shows', {
      max: 60,
      metric: 10,
      inch: inches(3 / 8),
      since: 8,
      before: 0,
      when: anyJoint('dado'),
      trade:
        'The front edge stays whole, and the corner of what sits in the dado is notched by as much. 0 lets the dado run out, as under a band or a frame.',
    }),
    rabbetDepth: length('rabbet depth', {
      min: 1,
      max: 30,
      metric: 8,
      inch: inches(3 / 8),
      when: [{ 'joints/bottom': 'rabbet' }, { 'joints/top': 'rabbet' }],
    }),
  },
  fasteners: {
    first: length('first screw from an edge', {
      min: 10,
      max: 200,
      metric: 50,
      inch: inches(2),
      when: [noJoint('dado'), ...anyJoint('screws')],
    }),
    spacing: length('screws at most apart', {
      min: 40,
      max: 600,
      metric: 200,
      inch: inches(8),
      when: [...anyJoint('screws'), ...anyJoint('tenons')],
    }),
    pilot: length('screw hole', { min: 1, max: 12, metric: 4.5, inch: inches(3 / 16), when: anyJoint('screws') }),
    screwLength: length('screw length', { min: 10, max: 150, metric: 50, inch: inches(2), when: anyJoint('screws') }),
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
      when: anyJoint('screws'),
    }),
    pocketReach: length('pocket screw into the next part', {
      min: 4,
      max: 60,
      metric: 12,
      inch: inches(1 / 2),
      when: [...anyJoint('pocket'), FRAMED],
    }),
    pocketSpacing: length('pocket screws at most apart', {
      min: 40,
      max: 400,
      metric: 125,
      inch: inches(5),
      when: [...anyJoint('pocket'), ...anyJoint('dowels'), FRAMED],
    }),
    dowel: length('dowel diameter', { min: 3, max: 20, metric: 8, inch: inches(5 / 16), when: anyJoint('dowels') }),
    dowelInFace: length('dowel depth in a face', {
      min: 3,
      max: 40,
      metric: 12,
      inch: inches(1 / 2),
      when: anyJoint('dowels'),
    }),
    dowelInEnd: length('dowel depth in an end', {
      min: 5,
      max: 60,
      metric: 28,
      inch: inches(1 + 1 / 8),
      when: anyJoint('dowels'),
    }),
    tenonLength: length('loose tenon width', {
      min: 5,
      max: 60,
      metric: 23,
      inch: inches(7 / 8),
      when: [...anyJoint('tenons'), MITRED],
    }),
    tenonThickness: length('loose tenon thickness', {
      min: 3,
      max: 20,
      metric: 5,
      inch: inches(3 / 16),
      when: [...anyJoint('tenons'), MITRED],
    }),
    tenonDepth: length('loose tenon depth in each part', {
      min: 3,
      max: 60,
      metric: 15,
      inch: inches(5 / 8),
      when: [...anyJoint('tenons'), MITRED],
    }),
  },
});
