import { provideZonelessChangeDetection } from '@angular/core';
import { bootstrapApplication } from '@angular/platform-browser';
import { StudentComponent } from './student.component';

void bootstrapApplication(StudentComponent, { providers: [provideZonelessChangeDetection()] });

// Once opened it starts without a network. Where a browser cannot keep it, it runs with one.
if ('serviceWorker' in navigator)
  addEventListener(
    'load',
    () => void navigator.serviceWorker.register('/my/worker.js').catch(() => undefined),
  );
