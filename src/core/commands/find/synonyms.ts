/**
 * What else a thing is called, by schools and countries: each line is one thing. Whoever looks for one of its words finds
 * what goes by another.
 */
const SAME: readonly (readonly string[])[] = [
  ['toe', 'kick', 'kickboard', 'plinth', 'base board', 'recess'],
  ['carcass', 'box', 'case', 'cabinet body', 'carcase'],
  ['bottom', 'floor', 'deck'],
  ['top', 'head'],
  ['side', 'end panel', 'gable', 'cheek'],
  ['stretcher', 'rail', 'brace', 'web'],
  ['partition', 'division', 'upright', 'mullion panel'],
  ['shelf', 'shelves', 'board'],
  ['pin', 'peg', 'stud', 'support', 'sleeve', '32', 'line boring', 'system holes'],
  ['dado', 'housing', 'trench', 'groove'],
  ['rabbet', 'rebate'],
  ['tenon', 'mortise', 'mortice'],
  ['dowel', 'pegged'],
  ['screw', 'fixing', 'fastener'],
  ['nailer', 'hanging rail', 'mounting rail', 'cleat'],
  ['back', 'rear panel', 'backing'],
  ['reveal', 'margin', 'shadow', 'gap at the edge'],
  ['gap', 'joint between fronts', 'space between'],
  ['overlay', 'lay on', 'full overlay', 'half overlay'],
  ['inset', 'set in', 'flush'],
  ['lipped', 'lip', 'rebated front'],
  ['stile', 'upright of the frame'],
  ['rail', 'cross piece'],
  ['frame', 'face frame', 'front frame'],
  ['filler', 'scribe', 'infill'],
  ['door', 'leaf', 'flap'],
  ['drawer', 'tray', 'pull out'],
  ['runner', 'slide', 'guide', 'glide'],
  ['pull', 'handle', 'knob', 'grip'],
  ['hinge', 'butt', 'cup', 'arm', 'plate'],
  ['lift', 'stay', 'flap fitting', 'gas'],
  ['catch', 'magnet', 'latch'],
  ['band', 'edge', 'edging', 'lipping', 'tape'],
  ['grain', 'figure', 'run of the wood'],
  ['batten', 'stick'],
  ['kerf', 'saw cut'],
  ['leg', 'foot', 'feet', 'levelling', 'adjuster'],
  ['worktop', 'counter', 'benchtop'],
  ['bumper', 'buffer', 'pad'],
  ['waste', 'bin', 'rubbish', 'refuse'],
  ['width', 'wide', 'across'],
  ['height', 'high', 'tall'],
  ['depth', 'deep', 'front to back'],
  ['material', 'board', 'sheet', 'stock', 'timber', 'ply'],
  ['thickness', 'thick', 'caliper', 'measured'],
];

/** Words that mean what a text says, besides its own. */
export function otherWords(text: string): string[] {
  const own = text.toLowerCase();
  const found = SAME.filter((words) => words.some((word) => new RegExp(`\\b${word}`).test(own)));
  return [...new Set(found.flat().filter((word) => !own.includes(word)))];
}
