import { type CommandName, commands, jsonSchema, toIssues } from '@doceo/contract';
import { CoreError } from '@doceo/core';
import { runners } from './commands';

export interface CommandResult {
  exitCode: 0 | 2;
  out: string;
  error: string;
}

const refused = (error: string): CommandResult => ({ exitCode: 2, out: '', error });
const printed = (value: unknown): CommandResult => ({
  exitCode: 0,
  out: JSON.stringify(value, null, 2),
  error: '',
});

/**
 * Runs one command line of `npm run compute`.
 *
 * @param words command name, `--list`, or `--schema NAME`
 * @param input text of the standard input
 * @returns what to print, and exit code 2 with one line that names the path for bad input
 */
export function runCommand(words: readonly string[], input: string): CommandResult {
  const [first, second] = words;
  if (first === '--list')
    return {
      ...printed(null),
      out: Object.entries(commands)
        .map(([name, { summary }]) => `${name}: ${summary}`)
        .join('\n'),
    };
  const name = first === '--schema' ? second : first;
  if (!name || !(name in commands)) return refused(`unknown command ${name ?? ''}; --list names all`);
  const command = commands[name as CommandName];
  if (first === '--schema')
    return printed({
      input: jsonSchema(command.input, 'input'),
      output: jsonSchema(command.output, 'output'),
    });
  return compute(name as CommandName, input);
}

function compute(name: CommandName, input: string): CommandResult {
  let value: unknown;
  try {
    value = JSON.parse(input);
  } catch {
    return refused('input: is no readable JSON');
  }
  const parsed = commands[name].input.safeParse(value);
  if (!parsed.success) {
    const [issue] = toIssues(parsed.error);
    return refused(`${issue?.path || 'input'}: ${issue?.message}`);
  }
  try {
    const run = runners[name] as (of: unknown) => unknown;
    return printed(commands[name].output.parse(run(parsed.data)));
  } catch (error) {
    if (error instanceof CoreError)
      return refused(`${String(error.facts['name'] ?? 'input')}: ${error.message}`);
    throw error;
  }
}
