import { parse, type ValueNode } from '@humanwhocodes/momoa';
import type { Issue } from '../http/error';

/** Why a text is no JSON, with its line; null for one that is. */
export function jsonFault(text: string): Issue | null {
  try {
    parse(text);
    return null;
  } catch (error) {
    const { message, line, offset } = error as Error & { line?: number; offset?: number };
    // What is cut behind a comma stumbles over that comma.
    const isCut = /end of input/.test(message) || text.slice(offset ?? 0).trim() === ',';
    const at = isCut ? text.trimEnd().split('\n').length : (line ?? 1);
    const what = isCut
      ? 'the file ends too early, as if it was cut'
      : `no JSON: ${message.replace(/ \(\d+:\d+\)$/, '').toLowerCase()}`;
    return { path: 'file', code: 'unreadable', message: `line ${at}: ${what}` };
  }
}

/** Issues of a JSON text with the line on which each stands before its message. */
export function withLines(text: string, issues: readonly Issue[]): Issue[] {
  if (issues.length === 0) return [];
  const { body } = parse(text);
  return issues.map((issue) => ({
    ...issue,
    message: `line ${lineOf(body, partsOf(issue.path))}: ${issue.message}`,
  }));
}

/** The line, from 1, of what stands at a path; of what it should stand in where it is missing. */
function lineOf(node: ValueNode, [part, ...rest]: string[]): number {
  const child =
    node.type === 'Object'
      ? node.members.find(({ name }) => (name.type === 'String' ? name.value : name.name) === part)?.value
      : node.type === 'Array'
        ? node.elements[Number(part)]?.value
        : undefined;
  return part === undefined || !child ? node.loc.start.line : lineOf(child, rest);
}

/** `plans[2].body.aim` as its parts. */
function partsOf(path: string): string[] {
  return path.split(/[.[\]]/).filter((part) => part !== '');
}
