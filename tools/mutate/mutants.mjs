import ts from 'typescript';

/**
 * One change of a source: from where to where, and what stands there instead.
 *
 * @typedef {{ file: string, start: number, end: number, text: string, kind: string, line: number }} Mutant
 */

/** Operators and what each is turned into. @type {Readonly<Record<number, string>>} */
const OPERATORS = {
  [ts.SyntaxKind.PlusToken]: '-',
  [ts.SyntaxKind.MinusToken]: '+',
  [ts.SyntaxKind.AsteriskToken]: '/',
  [ts.SyntaxKind.SlashToken]: '*',
  [ts.SyntaxKind.LessThanToken]: '>=',
  [ts.SyntaxKind.LessThanEqualsToken]: '>',
  [ts.SyntaxKind.GreaterThanToken]: '<=',
  [ts.SyntaxKind.GreaterThanEqualsToken]: '<',
  [ts.SyntaxKind.EqualsEqualsEqualsToken]: '!==',
  [ts.SyntaxKind.ExclamationEqualsEqualsToken]: '===',
  [ts.SyntaxKind.AmpersandAmpersandToken]: '||',
  [ts.SyntaxKind.BarBarToken]: '&&',
};
/** Signs of a printed formula, which is the one that runs. @type {Readonly<Record<string, string>>} */
const SIGNS = { '+': '−', '−': '+', '·': '/', '/': '·' };

/**
 * Every single change that is tried of a source.
 *
 * @param {string} file path, as it is told
 * @param {string} source
 * @param {readonly (readonly string[])[]} kinds ids that may stand for each other: quantities, facts, limits
 * @returns {Mutant[]}
 */
export function mutantsOf(file, source, kinds) {
  const tree = ts.createSourceFile(file, source, ts.ScriptTarget.Latest, true);
  /** @type {Mutant[]} */
  const found = [];
  /** @param {ts.Node} node @param {string} text @param {string} kind */
  const add = (node, text, kind) => {
    const [start, end] = [node.getStart(tree), node.getEnd()];
    found.push({ file, start, end, text, kind, line: tree.getLineAndCharacterOfPosition(start).line + 1 });
  };
  /** @param {ts.Node} node */
  const visit = (node) => {
    if (ts.isImportDeclaration(node) || ts.isExportDeclaration(node) || ts.isTypeNode(node)) return;
    if (ts.isInterfaceDeclaration(node) || ts.isTypeAliasDeclaration(node)) return;
    byNode(node, add, kinds);
    ts.forEachChild(node, visit);
  };
  visit(tree);
  return found;
}

/** @param {ts.Node} node @param {(node: ts.Node, text: string, kind: string) => void} add @param {readonly (readonly string[])[]} kinds */
function byNode(node, add, kinds) {
  if (ts.isBinaryExpression(node)) {
    const other = OPERATORS[node.operatorToken.kind];
    if (other) add(node.operatorToken, other, 'operator');
  }
  if (ts.isIfStatement(node)) add(node.expression, `!(${node.expression.getText()})`, 'condition');
  if (ts.isConditionalExpression(node)) add(node.condition, `!(${node.condition.getText()})`, 'condition');
  if (ts.isPrefixUnaryExpression(node) && node.operator === ts.SyntaxKind.MinusToken)
    add(node, `(${node.operand.getText()})`, 'sign');
  if (ts.isNumericLiteral(node) && !ts.isPropertyAssignment(node.parent)) {
    const value = Number(node.text.replaceAll('_', ''));
    add(node, String(value === 0 ? 1 : value * 1.5), 'number');
  }
  if (ts.isStringLiteral(node)) byText(node, add, kinds);
  if (ts.isArrayLiteralExpression(node) && node.elements.length > 1 && !ts.isAsExpression(node.parent)) {
    const [first] = node.elements;
    if (first && !ts.isNumericLiteral(first) && !ts.isStringLiteral(first))
      add(
        node,
        `[${node.elements
          .slice(1)
          .map((e) => e.getText())
          .join(', ')}]`,
        'entry left out',
      );
  }
  if (ts.isCallExpression(node) && node.arguments.length > 1 && !ts.isExpressionStatement(node.parent))
    byArguments(node, add);
}

/** @param {ts.StringLiteral} node @param {(node: ts.Node, text: string, kind: string) => void} add @param {readonly (readonly string[])[]} kinds */
function byText(node, add, kinds) {
  const key = ts.isPropertyAssignment(node.parent) ? node.parent.name.getText() : '';
  if (key === 'formula') {
    const at = [...node.text].findIndex((letter) => letter in SIGNS);
    const letters = [...node.text];
    const sign = letters[at];
    if (sign !== undefined) {
      letters[at] = SIGNS[sign] ?? sign;
      add(node, JSON.stringify(letters.join('')), 'formula');
    }
    return;
  }
  const same = kinds.find((ids) => ids.includes(node.text));
  if (!same || same.length < 2) return;
  const other = same[(same.indexOf(node.text) + 1) % same.length];
  add(node, JSON.stringify(other), 'id');
}

/** Two arguments that are plain names change places. @param {ts.CallExpression} node @param {(node: ts.Node, text: string, kind: string) => void} add */
function byArguments(node, add) {
  const [first, second, ...rest] = node.arguments;
  if (!first || !second || !ts.isIdentifier(first) || !ts.isIdentifier(second)) return;
  const text = [second, first, ...rest].map((a) => a.getText()).join(', ');
  add(node, `${node.expression.getText()}(${text})`, 'arguments');
}

/** The source with the change made. @param {string} source @param {Mutant} mutant */
export const mutated = (source, { start, end, text }) => source.slice(0, start) + text + source.slice(end);
