import { api } from '@doceo/contract';
import type { ConditionReading } from '@doceo/core';
import type { FakeServer } from './fake-server';
import { WATER } from './fixtures';
import { lessonServer } from './page';
import { dayOf, FORD, GLIDE, LAKE, SAVED_LAKE, savedBeat } from './waters';

/**
 * A river with two beats, whose level falls through a day with thunder in the afternoon, and a lake.
 *
 * @param readings what was read by hand, now
 */
export const waterServer = (readings: () => ConditionReading[] = () => []): FakeServer =>
  lessonServer()
    .on(api.waters.list, [WATER, LAKE])
    .on(api.waters.beats, [savedBeat(91, FORD), savedBeat(92, GLIDE)])
    .on(api.waters.lake, { saved: SAVED_LAKE })
    .on(api.waters.conditions, (_, { id }) => ({
      ...dayOf(id ?? '', (hour) => ({ levelM: 0.5 - hour * 0.01, thunder: hour === 15 ? 0.5 : 0 })),
      readings: readings(),
    }));
