import { readdirSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import ts from 'typescript';
import { describe, expect, test } from 'vitest';

const ROOT = join(dirname(fileURLToPath(import.meta.url)), '../../resources/js');

/** Folders of forms and tables: what they show of the trade, the server has worked out. */
const FOLDERS = ['card', 'check', 'dialogs', 'make'];

/** Names of measures of the trade. */
const MEASURE =
  /^(.*_)?(radius|radii|length|lengths|diameter|od|bore|wall|thickness|circle|pitch|slack|stand_off|clearance|lead)$/i;

const ARITHMETIC = new Set([
  ts.SyntaxKind.PlusToken,
  ts.SyntaxKind.MinusToken,
  ts.SyntaxKind.AsteriskToken,
  ts.SyntaxKind.SlashToken,
  ts.SyntaxKind.PercentToken,
  ts.SyntaxKind.AsteriskAsteriskToken,
  ts.SyntaxKind.LessThanToken,
  ts.SyntaxKind.LessThanEqualsToken,
  ts.SyntaxKind.GreaterThanToken,
  ts.SyntaxKind.GreaterThanEqualsToken,
]);

type IsList = (node: ts.Expression) => boolean;

/** The measure that an operand is, or that `Number(…)` makes a number of. The length of a list is none. */
function measureOf(node: ts.Expression, isList: IsList): string | null {
  if (ts.isParenthesizedExpression(node) || ts.isAsExpression(node) || ts.isNonNullExpression(node)) {
    return measureOf(node.expression, isList);
  }
  if (ts.isCallExpression(node) && node.expression.getText() === 'Number' && node.arguments[0] !== undefined) {
    return measureOf(node.arguments[0], isList);
  }
  if (ts.isBinaryExpression(node) && node.operatorToken.kind === ts.SyntaxKind.QuestionQuestionToken) {
    return measureOf(node.left, isList);
  }
  if (ts.isPropertyAccessExpression(node)) {
    const { text } = node.name;
    const isCount = text === 'length' && isList(node.expression);
    return MEASURE.test(text) && !isCount ? node.getText() : null;
  }
  return ts.isIdentifier(node) && MEASURE.test(node.text) ? node.text : null;
}

/** Places where a measure of the trade is reckoned with or compared, as "line: expression". */
function reckonings(file: ts.SourceFile, isList: IsList): string[] {
  const found: string[] = [];
  const note = (node: ts.Node) =>
    found.push(`${file.getLineAndCharacterOfPosition(node.getStart()).line + 1}: ${node.getText()}`);
  const visit = (node: ts.Node): void => {
    if (ts.isBinaryExpression(node) && ARITHMETIC.has(node.operatorToken.kind)) {
      const sides = [node.left, node.right];
      const isText = sides.some((side) => ts.isStringLiteral(side) || ts.isTemplateExpression(side));
      if (!isText && sides.some((side) => measureOf(side, isList) !== null)) {
        note(node);
      }
    }
    if (ts.isCallExpression(node) && /^Math\.(ceil|floor|round|max|min|hypot)$/.test(node.expression.getText())) {
      if (node.arguments.some((argument) => measureOf(argument, isList) !== null)) {
        note(node);
      }
    }
    ts.forEachChild(node, visit);
  };
  visit(file);
  return found;
}

/** What is told by a number besides the measures. */
const TOLD = /^(size|height|tolerance|from|to|stand_off|springback)$/i;

/** Places where a number of the trade is proposed: all but none at all (0), as "line: expression". */
function proposals(file: ts.SourceFile): string[] {
  const found: string[] = [];
  const isNumber = (node: ts.Expression): boolean =>
    ts.isNumericLiteral(node)
      ? Number(node.text) !== 0
      : ts.isPrefixUnaryExpression(node)
        ? isNumber(node.operand)
        : ts.isArrayLiteralExpression(node)
          ? node.elements.some(isNumber)
          : ts.isConditionalExpression(node)
            ? isNumber(node.whenTrue) || isNumber(node.whenFalse)
            : ts.isBinaryExpression(node) && node.operatorToken.kind === ts.SyntaxKind.QuestionQuestionToken
              ? isNumber(node.right)
              : false;
  const visit = (node: ts.Node): void => {
    if (ts.isPropertyAssignment(node)) {
      const name = node.name.getText();
      if ((MEASURE.test(name) || TOLD.test(name)) && isNumber(node.initializer)) {
        found.push(`${file.getLineAndCharacterOfPosition(node.getStart()).line + 1}: ${node.getText()}`);
      }
    }
    ts.forEachChild(node, visit);
  };
  visit(file);
  return found;
}

const program = ts.createProgram(
  FOLDERS.flatMap((folder) =>
    readdirSync(join(ROOT, folder), { recursive: true, encoding: 'utf8' })
      .filter((name) => /\.tsx?$/.test(name))
      .map((name) => join(ROOT, folder, name)),
  ),
  {
    ...ts.convertCompilerOptionsFromJson({ jsx: 'react-jsx', moduleResolution: 'bundler' }, ROOT).options,
    strict: true,
  },
);
const checker = program.getTypeChecker();

const isListOf: IsList = (node) => {
  const type = checker.getTypeAtLocation(node);
  const parts = type.isUnion() ? type.types : [type];
  return parts.some(
    (part) => checker.isArrayType(part) || checker.isTupleType(part) || (part.flags & ts.TypeFlags.StringLike) !== 0,
  );
};

describe('forms, dialogs, tables and findings', () => {
  test.each(FOLDERS)('%s reckon with no radius, length or diameter: the server does', (folder) => {
    const files = program.getSourceFiles().filter(({ fileName }) => fileName.startsWith(join(ROOT, folder)));
    expect(files.length).toBeGreaterThan(0);
    const found = files.flatMap((file) =>
      reckonings(file, isListOf).map((place) => `${file.fileName.slice(ROOT.length + 1)}:${place}`),
    );
    expect(found).toEqual([]);
  });

  test.each(FOLDERS)('%s propose no number of their own: the server does', (folder) => {
    const files = program.getSourceFiles().filter(({ fileName }) => fileName.startsWith(join(ROOT, folder)));
    expect(
      files.flatMap((file) => proposals(file).map((place) => `${file.fileName.slice(ROOT.length + 1)}:${place}`)),
    ).toEqual([]);
  });

  test.each([
    ['const a = { stand_off: clamp.stand_off ?? 25 };', 1],
    ["const a = { section: { wall: kind === 'solid' ? undefined : 1 } };", 1],
    ['const a = { swing: { from: -30, to: 30 } };', 2],
    ['const a = { size: shape.size ?? [200, 200, 200] };', 1],
    ['const a = { size: [0, 0, 0], length: undefined, wall };', 0],
    ['const a = { stand_off: defaults.stand_off };', 0],
  ])('are seen through in “%s”', (source, count) => {
    expect(
      proposals(ts.createSourceFile('a.tsx', source, ts.ScriptTarget.Latest, true, ts.ScriptKind.TSX)),
    ).toHaveLength(count);
  });

  test('are seen through when they do', () => {
    const found = (source: string) =>
      reckonings(
        ts.createSourceFile('a.tsx', source, ts.ScriptTarget.Latest, true, ts.ScriptKind.TSX),
        (node) => node.getText() === 'runs',
      );
    expect(found('const a = Number(stock.section.od) * 0.8;')).toHaveLength(1);
    expect(found('const a = (facts.radius ?? 0) < least;')).toHaveLength(1);
    expect(found('const a = Math.ceil(facts.length);')).toHaveLength(1);
    expect(found('const a = runs.length > 1;')).toEqual([]);
    expect(found("const a = 'R ' + radius;")).toEqual([]);
  });
});
