import './browser-lacks';
import 'fake-indexeddb/auto';
import { ErrorHandler, NgModule } from '@angular/core';
import { getTestBed } from '@angular/core/testing';
import { BrowserTestingModule, platformBrowserTesting } from '@angular/platform-browser/testing';
import fc from 'fast-check';

/** What goes wrong in a component fails its test. */
@NgModule({
  providers: [
    {
      provide: ErrorHandler,
      useValue: {
        handleError: (error: unknown) => {
          throw error;
        },
      },
    },
  ],
})
class TestModule {}

getTestBed().initTestEnvironment([BrowserTestingModule, TestModule], platformBrowserTesting());

fc.configureGlobal({ seed: Number(process.env['DOCEO_SEED'] ?? 20260610) });
