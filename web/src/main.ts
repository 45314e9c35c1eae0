import { bootstrapApplication } from '@angular/platform-browser';
import { AppComponent } from './app/app.component';
import { appConfig } from './app/app.config';

void bootstrapApplication(AppComponent, appConfig);

// Where a browser has none, the application runs as it is, with the network.
if ('serviceWorker' in navigator) void navigator.serviceWorker.register('/service-worker.js');
