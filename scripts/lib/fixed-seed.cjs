/** Property tests go the same way each time; DOCEO_SEED sends them another one. */
require('fast-check').configureGlobal({ seed: Number(process.env.DOCEO_SEED ?? 20260610) });
