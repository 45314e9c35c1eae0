import { Component } from '@angular/core';
@Component({ selector: 'doceo-strike-page', template: '' })
export class StrikePage {}
