/** What was seen on the water. Events are only ever added; taking one back is an event too. */
export type BankEventBody =
  | { kind: 'attempt'; skillId: string; drillId: string | null; good: boolean; faultId: string | null }
  | { kind: 'fish'; species: string; lengthCm: number | null; outcome: 'to-hand' | 'lost' }
  | { kind: 'tangle'; seconds: number | null }
  | { kind: 'note'; text: string }
  | { kind: 'undo'; targetId: string };

export interface BankEvent {
  /** Made on the device: the same event sent twice is one event. */
  id: string;
  lessonId: string;
  studentId: string | null;
  blockId: string | null;
  deviceId: string;
  /** Device clock, epoch milliseconds. */
  atMs: number;
  body: BankEventBody;
}
