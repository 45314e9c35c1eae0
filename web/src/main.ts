import { bootstrapApplication } from '@angular/platform-browser';
import { AppComponent } from './app/app.component';
import { appConfig } from './app/app.config';
import { AppVersion } from './app/shell/app-version';

void bootstrapApplication(AppComponent, appConfig).then((app) => app.injector.get(AppVersion).watch());
