import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import ts from 'typescript';
import { ROOT } from './shell.mjs';

const CORE = join(ROOT, 'core/src');

/** Words that are written into what somebody owns, or answered by the API: they are not put into another language. */
const DATA = [
  'curriculum/shipped/',
  // Names of parts of a rig, of foods, of gear and of blocks: they are kept with the rig, the water, the kit and the plan.
  'rig/templates/',
  'rig/leader/section-edits.ts',
  'fly-box/calendar.ts',
  'kit/kit-needs.ts',
  'drill/thing.ts',
  'plan/rules/safety-first.ts',
  // What is wrong with a drawing that is sent in.
  'beat/sheet.ts',
  'lake/lake.ts',
];

const WORDS = /\p{L}{2,} \p{L}{2,}/u;

/** Errors for developers are thrown, made, or come from the check of a range. */
const isForDevelopers = (node) =>
  ts.isThrowStatement(node) ||
  (ts.isNewExpression(node) && /Error$/.test(node.expression.getText())) ||
  (ts.isCallExpression(node) && node.expression.getText() === 'inRange');

function textOf(node) {
  if (ts.isStringLiteral(node) || ts.isNoSubstitutionTemplateLiteral(node)) return node.text;
  if (!ts.isTemplateExpression(node)) return '';
  return [node.head.text, ...node.templateSpans.map(({ literal }) => literal.text)].join('…');
}

/** Words of a language in core, `file:line words`: they belong into texts. */
export function coreSentences() {
  const found = [];
  for (const file of readdirSync(CORE, { recursive: true }).map(String)) {
    if (!file.endsWith('.ts') || file.endsWith('.spec.ts') || file.startsWith('testing/')) continue;
    if (DATA.some((data) => file.startsWith(data))) continue;
    const source = ts.createSourceFile(
      file,
      readFileSync(join(CORE, file), 'utf8'),
      ts.ScriptTarget.Latest,
      true,
    );
    const look = (node) => {
      if (ts.isImportDeclaration(node) || ts.isExportDeclaration(node) || isForDevelopers(node)) return;
      const text = textOf(node);
      if (WORDS.test(text)) {
        const { line } = source.getLineAndCharacterOfPosition(node.getStart());
        found.push(`core/src/${file}:${line + 1} ${text}`);
      }
      ts.forEachChild(node, look);
    };
    look(source);
  }
  return found;
}
