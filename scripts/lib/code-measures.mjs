import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { median, quantile } from 'd3-array';
import ts from 'typescript';
import { ROOT } from './shell.mjs';

/** Why a file may be longer than 250 lines; what fits none of these should be split. */
const REASONS = [
  [/\.spec\.ts$/, 'cases of one subject'],
  [/\/(catalogue|casts)\.ts$|-knots\.ts$/, 'a list of things, one after the other'],
  [/contract\/src\/(api|compute\/compute)\.ts$/, 'an entry for each endpoint or command'],
];
const LONG = 250;

const linesOf = (file) => readFileSync(join(ROOT, file), 'utf8').split('\n').length - 1;

/** Lines of every function and method that has a body, arrow functions within others left to them. */
function functionLines(file) {
  const source = ts.createSourceFile(
    file,
    readFileSync(join(ROOT, file), 'utf8'),
    ts.ScriptTarget.ES2022,
    true,
  );
  const found = [];
  const line = (at) => source.getLineAndCharacterOfPosition(at).line;
  const look = (node, within) => {
    const own =
      (ts.isFunctionDeclaration(node) || ts.isMethodDeclaration(node) || ts.isAccessor(node)) && node.body
        ? node
        : ts.isArrowFunction(node) && !within
          ? node
          : null;
    if (own) found.push(line(own.end) - line(own.getStart()) + 1);
    node.forEachChild((child) => look(child, within || own !== null));
  };
  look(source, false);
  return found;
}

const spread = (values) => ({ median: median(values), ninetieth: quantile(values, 0.9) });

/**
 * Length of files and functions of these files, in lines.
 *
 * @param {string[]} files paths from the root, of code without tests
 * @param {string[]} all with tests
 */
export function codeMeasures(files, all) {
  const programs = files.filter((file) => /\.(ts|mjs)$/.test(file));
  return {
    files: spread(programs.map(linesOf)),
    functions: spread(programs.flatMap(functionLines)),
    long: all
      .map((file) => ({ file, lines: linesOf(file) }))
      .filter(({ lines }) => lines > LONG)
      .map((one) => ({ ...one, reason: REASONS.find(([pattern]) => pattern.test(one.file))?.[1] ?? null }))
      .sort((a, b) => b.lines - a.lines),
  };
}
