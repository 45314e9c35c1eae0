import { api, MAX_LISTED_STUDENTS, type SavedStudent } from '@doceo/contract';
import type { Observable } from 'rxjs';
import type { Answer, ApiClient } from '../api/api-client';

/** All students that one may see, by name; they come a page at a time, and the device keeps them as one list. */
export function allStudents(client: ApiClient): Observable<Answer<SavedStudent[]>> {
  return client.whole(api.students.list, (page) => {
    const last = page.at(-1);
    return last && page.length === MAX_LISTED_STUDENTS
      ? { afterName: last.student.name, afterId: last.id }
      : null;
  });
}
