import { bootstrapApplication } from '@angular/platform-browser';
import { AppComponent } from './app/app.component';
import { appConfig } from './app/app.config';
import { AppVersion } from './app/shell/app-version';

/** Filled in by the build: what it was built by. */
declare const BUILT_BY: string;

document.documentElement.dataset['builtBy'] = BUILT_BY;
void bootstrapApplication(AppComponent, appConfig).then((app) => app.injector.get(AppVersion).watch());
