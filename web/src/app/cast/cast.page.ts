import { Component } from '@angular/core';
@Component({ selector: 'doceo-cast-page', template: '' })
export class CastPage {}
