process.env['DOCEO_ROOT'] ??= process.cwd();
jest.setTimeout(60_000);
