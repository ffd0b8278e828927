/**
 * `npm run shape`: how the code is built, in figures to be read, not to be met. For each workspace
 * the lines, the length of functions in lines and statements, nested ternaries, parameters,
 * documented exports; then the largest files and functions. `--json` prints the same as JSON.
 *
 * A function here is one with a name: a declaration, a method, or an arrow function kept in a
 * variable or property. Its length is that of its lines, from its first to its last; tests, data
 * (`*.data.ts`) and migrations are left out.
 */
import { execFileSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { relative } from 'node:path';
import { ESLint } from 'eslint';
import ts from 'typescript';
import tseslint from 'typescript-eslint';

const workspaces = ['core', 'server', 'web', 'demo', 'cli', 'bench', 'e2e', 'scripts'];
const wideColumns = 120;
const shownOfEach = 15;

interface NamedFunction {
  readonly file: string;
  readonly name: string;
  readonly lines: number;
  readonly statements: number;
  readonly parameters: number;
}

interface FileShape {
  readonly file: string;
  readonly isTest: boolean;
  readonly isMeasured: boolean;
  readonly lines: readonly string[];
  readonly functions: readonly NamedFunction[];
  readonly nestedTernaries: number;
  readonly joinedDeclarations: number;
  readonly exports: number;
  readonly documentedExports: number;
}

type FunctionWithBody = ts.FunctionLikeDeclaration & { readonly body: ts.Node };

function hasBody(node: ts.Node): node is FunctionWithBody {
  return ts.isFunctionLike(node) && 'body' in node && node.body !== undefined;
}

function nameOf(node: FunctionWithBody): string | undefined {
  if (node.name) {
    return node.name.getText();
  }
  if (ts.isConstructorDeclaration(node)) {
    return 'constructor';
  }
  const holder = node.parent;
  const isKept =
    ts.isVariableDeclaration(holder) ||
    ts.isPropertyAssignment(holder) ||
    ts.isPropertyDeclaration(holder);
  return isKept ? holder.name.getText() : undefined;
}

/**
 * Statements inside of a function's body, those of functions within it too; a lone expression
 * counts as one.
 */
function countStatements(node: ts.Node): number {
  let count = 0;
  const visit = (child: ts.Node): void => {
    if (ts.isStatement(child) && !ts.isBlock(child)) {
      count++;
    }
    ts.forEachChild(child, visit);
  };
  ts.forEachChild(node, visit);
  return Math.max(1, count);
}

function isNestedTernary(node: ts.Node): boolean {
  return (
    ts.isConditionalExpression(node) &&
    (ts.isConditionalExpression(node.whenTrue) || ts.isConditionalExpression(node.whenFalse))
  );
}

function isJoinedDeclaration(node: ts.Node): boolean {
  return (
    ts.isVariableDeclarationList(node) &&
    node.declarations.length > 1 &&
    !ts.isForStatement(node.parent)
  );
}

function isExported(node: ts.Node): boolean {
  const isDeclaration =
    ts.isFunctionDeclaration(node) ||
    ts.isClassDeclaration(node) ||
    ts.isInterfaceDeclaration(node) ||
    ts.isTypeAliasDeclaration(node) ||
    ts.isVariableStatement(node);
  return (
    isDeclaration &&
    (node.modifiers ?? []).some((modifier) => modifier.kind === ts.SyntaxKind.ExportKeyword)
  );
}

function shapeOf(file: string): FileShape {
  const text = readFileSync(file, 'utf8');
  const source = ts.createSourceFile(file, text, ts.ScriptTarget.Latest, true);
  const functions: NamedFunction[] = [];
  let nestedTernaries = 0;
  let joinedDeclarations = 0;
  const lineAt = (position: number): number => source.getLineAndCharacterOfPosition(position).line;
  const visit = (node: ts.Node): void => {
    nestedTernaries += isNestedTernary(node) ? 1 : 0;
    joinedDeclarations += isJoinedDeclaration(node) ? 1 : 0;
    const name = hasBody(node) ? nameOf(node) : undefined;
    if (hasBody(node) && name !== undefined) {
      functions.push({
        file,
        name,
        lines: lineAt(node.end) - lineAt(node.getStart()) + 1,
        statements: countStatements(node.body),
        parameters: node.parameters.length,
      });
    }
    ts.forEachChild(node, visit);
  };
  visit(source);
  const exported = source.statements.filter(isExported);
  const isTest = /\.(test|spec|test-data)\.tsx?$/.test(file) || file.startsWith('e2e/');
  return {
    file,
    isTest,
    isMeasured: (!isTest || file.startsWith('e2e/')) && !/\.data\.ts$|\/migrations\//.test(file),
    lines: text.trimEnd().split('\n'),
    functions,
    nestedTernaries,
    joinedDeclarations,
    exports: exported.length,
    documentedExports: exported.filter((node) => ts.getJSDocCommentsAndTags(node).length > 0)
      .length,
  };
}

function quantile(values: readonly number[], share: number): number {
  const ordered = [...values].sort((a, b) => a - b);
  return ordered[Math.min(ordered.length - 1, Math.floor(share * ordered.length))] ?? 0;
}

function sum(values: readonly number[]): number {
  return values.reduce((total, value) => total + value, 0);
}

/** How many functions of each file are more complex, or nested deeper, than the habits have it. */
async function countComplex(): Promise<Map<string, number>> {
  const eslint = new ESLint({
    overrideConfigFile: true,
    allowInlineConfig: false,
    overrideConfig: [
      {
        files: ['**/*.{ts,tsx}'],
        languageOptions: { parser: tseslint.parser },
        rules: { complexity: ['warn', 15], 'max-depth': ['warn', 3] },
      },
    ],
  });
  const patterns = workspaces.map((workspace) => `${workspace}/**/*.{ts,tsx}`);
  const results = await eslint.lintFiles(patterns);
  return new Map(
    results.map(({ filePath, messages }) => [relative(process.cwd(), filePath), messages.length]),
  );
}

const percent = (part: number, whole: number): string =>
  `${((100 * part) / Math.max(1, whole)).toFixed(1)} %`;

function rowOf(
  workspace: string,
  shapes: readonly FileShape[],
  complex: ReadonlyMap<string, number>,
): Record<string, string | number> {
  const lines = shapes.flatMap((shape) => shape.lines);
  const functions = shapes.filter((shape) => shape.isMeasured).flatMap((shape) => shape.functions);
  const lengths = functions.map((each) => each.lines);
  const statements = functions.map((each) => each.statements);
  const wide = lines.filter((line) => line.length > wideColumns).length;
  const coded = shapes.filter((shape) => !shape.isTest);
  const exports = sum(coded.map((shape) => shape.exports));
  return {
    workspace,
    files: shapes.length,
    lines: lines.length,
    'tests, lines': percent(
      sum(shapes.filter((shape) => shape.isTest).map((shape) => shape.lines.length)),
      lines.length,
    ),
    'over 120 columns': percent(wide, lines.length),
    'longest line': Math.max(0, ...lines.map((line) => line.length)),
    functions: functions.length,
    'lines, median': quantile(lengths, 0.5),
    'lines, 90th': quantile(lengths, 0.9),
    'statements, median': quantile(statements, 0.5),
    'statements, 90th': quantile(statements, 0.9),
    'most parameters': Math.max(0, ...functions.map((each) => each.parameters)),
    'too complex': sum(shapes.map((shape) => complex.get(shape.file) ?? 0)),
    'nested ternaries': sum(shapes.map((shape) => shape.nestedTernaries)),
    'joined declarations': sum(shapes.map((shape) => shape.joinedDeclarations)),
    'exports documented': percent(sum(coded.map((shape) => shape.documentedExports)), exports),
  };
}

function asTable(rows: readonly Record<string, string | number>[]): string {
  const heads = Object.keys(rows[0] ?? {});
  const cells = [
    heads,
    heads.map(() => '---'),
    ...rows.map((row) => heads.map((head) => String(row[head]))),
  ];
  return cells.map((row) => `| ${row.join(' | ')} |`).join('\n');
}

const files = execFileSync(
  'git',
  ['ls-files', '-z', '--cached', '--others', '--exclude-standard', '*.ts', '*.tsx'],
  {
    encoding: 'utf8',
  },
);
const shapes = files
  .split('\0')
  .filter((file) => file !== '' && workspaces.some((workspace) => file.startsWith(`${workspace}/`)))
  .map(shapeOf);
const complex = await countComplex();
const rows = workspaces.map((workspace) =>
  rowOf(
    workspace,
    shapes.filter((shape) => shape.file.startsWith(`${workspace}/`)),
    complex,
  ),
);
const all = rowOf('all', shapes, complex);
const measured = shapes.filter((shape) => shape.isMeasured);
const largestFiles = [...measured]
  .sort((a, b) => b.lines.length - a.lines.length)
  .slice(0, shownOfEach);
const largestFunctions = measured
  .flatMap((shape) => shape.functions)
  .sort((a, b) => b.lines - a.lines)
  .slice(0, shownOfEach);

if (process.argv.includes('--json')) {
  const filesOfReport = largestFiles.map((shape) => ({
    file: shape.file,
    lines: shape.lines.length,
  }));
  console.log(
    JSON.stringify(
      { workspaces: [...rows, all], largestFiles: filesOfReport, largestFunctions },
      null,
      2,
    ),
  );
} else {
  console.log(asTable([...rows, all]));
  console.log('\nThe largest files (lines)');
  console.log(
    largestFiles
      .map((shape) => `${String(shape.lines.length).padStart(6)}  ${shape.file}`)
      .join('\n'),
  );
  console.log('\nThe largest functions (lines, statements)');
  console.log(
    largestFunctions
      .map(
        (each) =>
          `${String(each.lines).padStart(6)} ${String(each.statements).padStart(4)}  ${each.file} ${each.name}`,
      )
      .join('\n'),
  );
}
