import { Pipe, type PipeTransform } from '@angular/core';
import { textInUnits, type UnitSystem } from '@doceo/core';

/** A text that ships, with its lengths in the reader's units; never for what somebody wrote. */
@Pipe({ name: 'inUnits' })
export class InUnitsPipe implements PipeTransform {
  transform(text: string, system: UnitSystem): string {
    return textInUnits(text, system);
  }
}
