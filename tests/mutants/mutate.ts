import ts from 'typescript';
import { Random } from '../generator/random.js';

/** One change of one place in a source file. */
export interface Mutant {
  readonly file: string;
  readonly start: number;
  readonly end: number;
  readonly was: string;
  readonly becomes: string;
  readonly line: number;
}

const METHODS: Readonly<Record<string, string>> = { plus: 'minus', minus: 'plus', times: 'over', over: 'times' };
const OPERATORS: Readonly<Record<string, string>> = {
  '+': '-',
  '-': '+',
  '*': '/',
  '/': '*',
  '<': '>=',
  '<=': '>',
  '>': '<=',
  '>=': '<',
  '===': '!==',
  '!==': '===',
  '&&': '||',
  '||': '&&',
};
const WORDS: Readonly<Record<string, string>> = {
  u0: 'u1',
  u1: 'u0',
  v0: 'v1',
  v1: 'v0',
  left: 'right',
  right: 'left',
  '+x': '-x',
  '+y': '-y',
  '+z': '-z',
  '-x': '+x',
  '-y': '+y',
  '-z': '+z',
  rows: 'columns',
  low: 'high',
  high: 'low',
};
const NAMES: Readonly<Record<string, string>> = { min: 'max', max: 'min', low: 'high', high: 'low' };

/** Every mutant of a file: arithmetic turned round, comparisons, edges, axes, numbers, conditions. */
export function mutantsOf(file: string, text: string): Mutant[] {
  const source = ts.createSourceFile(file, text, ts.ScriptTarget.ES2022, true);
  const found: Mutant[] = [];
  const add = (node: ts.Node, becomes: string) => {
    const [start, end] = [node.getStart(source), node.getEnd()];
    const line = source.getLineAndCharacterOfPosition(start).line + 1;
    found.push({ file, start, end, was: text.slice(start, end), becomes, line });
  };
  const walk = (node: ts.Node): void => {
    // Types say nothing at run time, and texts are for people.
    if (ts.isTypeNode(node) || ts.isInterfaceDeclaration(node) || ts.isTypeAliasDeclaration(node)) return;
    if (ts.isImportDeclaration(node) || ts.isTemplateExpression(node)) return;
    if (ts.isPropertyAccessExpression(node)) {
      const name = node.name.text;
      const called = ts.isCallExpression(node.parent) && node.parent.expression === node;
      if (called && METHODS[name]) add(node.name, METHODS[name]);
      else if (!called && NAMES[name]) add(node.name, NAMES[name]);
    } else if (ts.isBinaryExpression(node)) {
      const turned = OPERATORS[node.operatorToken.getText(source)];
      if (turned) add(node.operatorToken, turned);
    } else if (ts.isStringLiteral(node) && WORDS[node.text]) add(node, `'${WORDS[node.text]}'`);
    else if (ts.isNumericLiteral(node) && Number(node.text) > 1) add(node, String(Number(node.text) + 1));
    else if (ts.isConditionalExpression(node))
      add(
        node,
        `${node.condition.getText(source)} ? ${node.whenFalse.getText(source)} : ${node.whenTrue.getText(source)}`,
      );
    else if (ts.isPrefixUnaryExpression(node) && node.operator === ts.SyntaxKind.MinusToken)
      add(node, node.operand.getText(source));
    ts.forEachChild(node, walk);
  };
  walk(source);
  return found;
}

/** A sample that is the same for the same seed. */
export function sample(mutants: readonly Mutant[], count: number, seed: number): Mutant[] {
  const random = new Random(seed);
  const left = [...mutants];
  return Array.from({ length: Math.min(count, left.length) }, () => {
    const [taken] = left.splice(Math.floor(random.next() * left.length), 1);
    return taken as Mutant;
  });
}

export function mutated(text: string, { start, end, becomes }: Mutant): string {
  return text.slice(0, start) + becomes + text.slice(end);
}
