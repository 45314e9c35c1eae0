/** What one node has, against what devices were told; what is wrong with it. */
export async function compare(galera, index, before, taken, database = 'doceo') {
  const found = await galera.ask(index, 'SELECT id, COUNT(*) AS n FROM events GROUP BY id', database);
  const ids = new Set(found.map(({ id }) => id));
  const lost = taken.filter((id) => !ids.has(id)).length;
  const doubled = found.filter(({ n }) => n > 1).length;
  const wrong = [];
  if (lost > 0) wrong.push(`node ${index} lost ${lost}`);
  if (doubled > 0 || found.length !== before + new Set(taken).size)
    wrong.push(`node ${index} has ${found.length} entries, ${doubled} doubled`);
  return wrong;
}

/** How often each answer came. */
export const told = (answers) => [...answers].map(([status, n]) => `${status || 'none'} × ${n}`).join(', ');
