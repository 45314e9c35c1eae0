/** What the keys do on a plan, for the list that tells them. */
export const PLAN_KEYS = [
  ['Tab', 'go from line to line, and to the shelf of drills'],
  ['Enter on a drill', 'put it at the end of the plan'],
  ['↑ ↓', 'move the line by 5 minutes'],
  ['Shift + ↑ ↓', 'make it shorter or longer'],
  ['Alt + Shift + ↑ ↓', 'move it and all that follows by 5 minutes'],
  ['Alt + ↑ ↓', 'swap it with its neighbour'],
  ['← →', 'give it to another student, or to everybody'],
  ['Ctrl + C, Ctrl + V', 'copy it, put it at the end of this plan or of another'],
  ['Delete', 'remove it'],
  ['Ctrl + Z, Ctrl + Shift + Z', 'undo, redo'],
  ['?', 'this list'],
] as const;
