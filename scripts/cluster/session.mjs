const LEAD = { email: 'lead@ternalder.example', password: 'corvane-demo' };

/** The lead instructor of the demo, and the lessons and students entries may be of. */
export async function session(origin) {
  const json = { 'content-type': 'application/json' };
  const signed = await fetch(`${origin}/api/session`, {
    method: 'POST',
    headers: json,
    body: JSON.stringify(LEAD),
  });
  if (signed.status !== 200) throw new Error(`Nobody gets in: ${signed.status}`);
  const cookie = signed.headers
    .getSetCookie()
    .map((one) => one.split(';')[0])
    .join('; ');
  const lessons = await (await fetch(`${origin}/api/lessons`, { headers: { cookie } })).json();
  const places = lessons.flatMap(({ id, studentIds }) =>
    studentIds.map((studentId) => ({ lessonId: id, studentId })),
  );
  return { cookie, places };
}
