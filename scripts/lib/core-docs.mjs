import { readdirSync } from 'node:fs';
import { join, relative } from 'node:path';
import ts from 'typescript';
import { ROOT } from './shell.mjs';

const CORE = join(ROOT, 'core/src');

/** Names that say the unit, or that the number is a share, a ratio or a count. */
const UNIT =
  /^(metres|celsius|minutes|seconds|ms)$|(M|Cm|Mm|Px|M2|M3|Kg|G|N|Nm|Pa|Hpa|J|S|Ms|Min|H|Days|Years|Hz|C|Deg|Rad|PerHour|PerMin|Share|Ratio|Count)$/;

/** Units as a description says them: "Mass of a bead, kg." */
const UNIT_WORD =
  /(^|[ ,;(])(metres|minutes|seconds|milliseconds|hours|degrees|kg|N|Pa|J|m²|m³|m\/s|N·m²|[Ss]hare)([ ,.;:)]|$)/m;

const isNumber = (type) =>
  Boolean(type.flags & ts.TypeFlags.NumberLike) ||
  (type.isUnion() &&
    type.types.some((one) => one.flags & ts.TypeFlags.NumberLike) &&
    type.types.every(
      (one) => one.flags & (ts.TypeFlags.NumberLike | ts.TypeFlags.Null | ts.TypeFlags.Undefined),
    ));

const isExported = (node) => node.modifiers?.some(({ kind }) => kind === ts.SyntaxKind.ExportKeyword);

function throwsItself(body) {
  let found = false;
  const look = (node) => {
    if (ts.isFunctionLike(node)) return;
    if (ts.isThrowStatement(node)) found = true;
    if (ts.isCallExpression(node) && node.expression.getText() === 'inRange') found = true;
    node.forEachChild(look);
  };
  body?.forEachChild(look);
  return found;
}

/**
 * What the documentation of core's exported functions says: how many there are and are described, how many numbers they
 * take and give and how many of those have a unit, and what is missing where. A unit is said by the end of a name
 * (`depthM`), in `@param` and `@returns`, or for what is returned in the description.
 */
export function coreDocs() {
  const files = readdirSync(CORE, { recursive: true })
    .map(String)
    .filter((file) => file.endsWith('.ts') && !file.endsWith('.spec.ts'))
    .map((file) => join(CORE, file));
  const program = ts.createProgram(files, {
    strict: true,
    skipLibCheck: true,
    target: ts.ScriptTarget.ES2022,
    module: ts.ModuleKind.ESNext,
    moduleResolution: ts.ModuleResolutionKind.Bundler,
    types: [],
  });
  const checker = program.getTypeChecker();
  const found = {
    functions: 0,
    described: 0,
    numbers: 0,
    withUnit: 0,
    throwing: 0,
    throwsSaid: 0,
    missing: [],
  };
  const look = (declaration, name, holder, source) => {
    const docs = ts
      .getJSDocCommentsAndTags(holder)
      .map((one) => one.getText())
      .join('\n');
    const lacks = (what) => found.missing.push(`${relative(ROOT, source.fileName)} ${name}: ${what}`);
    found.functions++;
    if (docs) found.described++;
    else lacks('no description');
    const number = (what, said) => {
      found.numbers++;
      if (said) found.withUnit++;
      else lacks(`no unit of ${what}`);
    };
    for (const parameter of declaration.parameters) {
      const own = parameter.name.getText();
      if (isNumber(checker.getTypeAtLocation(parameter)))
        number(own, UNIT.test(own) || new RegExp(`@param ${own}\\b`).test(docs));
    }
    const signature = checker.getSignatureFromDeclaration(declaration);
    if (signature && isNumber(signature.getReturnType()))
      number('what it returns', docs.includes('@returns') || UNIT_WORD.test(docs));
    if (throwsItself(declaration.body)) {
      found.throwing++;
      if (docs.includes('@throws')) found.throwsSaid++;
      else lacks('no @throws');
    }
  };
  for (const file of files) {
    const source = program.getSourceFile(file);
    source?.forEachChild((node) => {
      if (ts.isFunctionDeclaration(node) && isExported(node)) look(node, node.name.text, node, source);
      if (ts.isVariableStatement(node) && isExported(node))
        for (const { name, initializer } of node.declarationList.declarations)
          if (initializer && ts.isArrowFunction(initializer)) look(initializer, name.getText(), node, source);
    });
  }
  return found;
}
