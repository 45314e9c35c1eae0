import type { LoopAdvice, StrokeKind } from '@doceo/core';

export const STROKE_TEXTS: Record<StrokeKind | 'own', { text: string; reason: string }> = {
  straight: {
    text: 'straight',
    reason: 'The tip goes along a straight line and stops hard: what is aimed at.',
  },
  'wide-arc': { text: 'wide arc', reason: 'The wrist breaks; the tip goes over the top and down.' },
  dip: { text: 'dip', reason: 'Power too early: the tip dips and comes up again.' },
  creep: {
    text: 'creep',
    reason: 'The rod has crept forward in the pause; the stroke is too short for the line.',
  },
  soon: { text: 'too soon', reason: 'Forward before the back cast has unrolled.' },
  'early-stop': { text: 'weak', reason: 'A short stroke without power.' },
  'late-stop': { text: 'late stop', reason: 'Stopped when the tip is on its way down.' },
  'no-stop': { text: 'no stop', reason: 'The rod is waved down to the water.' },
  own: { text: 'as drawn', reason: 'The path you drew.' },
};

export const ADVICE_TEXTS: Record<LoopAdvice, string> = {
  any: 'This rig goes with any loop.',
  open: 'This rig wants an open, oval loop: weight in a tight one meets the rod, or you.',
  'water-load': 'This rig is heavy for the line: let the water load the rod, no false casts.',
};
