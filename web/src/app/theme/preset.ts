import { definePreset } from '@primeuix/themes';
import base from '@primeuix/themes/aura/base';
import button from '@primeuix/themes/aura/button';
import datepicker from '@primeuix/themes/aura/datepicker';
import dialog from '@primeuix/themes/aura/dialog';
import inputtext from '@primeuix/themes/aura/inputtext';
import toast from '@primeuix/themes/aura/toast';

/** Of the theme only what is on our screens: the whole would be a tenth of the first download. */
const parts = { ...base, components: { button, datepicker, dialog, inputtext, toast } };

const ink = {
  50: '#f3efe4',
  100: '#e7e1cf',
  200: '#d9d2bf',
  300: '#bfb798',
  400: '#8b9089',
  500: '#4c5b53',
  600: '#33453b',
  700: '#15261f',
  800: '#15261f',
  900: '#0c1a14',
  950: '#0c1a14',
};
const river = {
  50: '#eef5f3',
  100: '#d5e6e1',
  200: '#b9d2cb',
  300: '#7fb0ae',
  400: '#3d8a94',
  500: '#12505b',
  600: '#12505b',
  700: '#0e414a',
  800: '#0b333a',
  900: '#08252a',
  950: '#061b1f',
};

/** A message: paper in ink's place, so that it stands off from the page, with its kind at the edge. */
function told(edge: string) {
  return {
    background: '#15261f',
    borderColor: edge,
    ...{ color: '#fffdf6', detailColor: '#fffdf6', shadow: 'none' },
    closeButton: { hoverBackground: '#33453b', focusRing: { color: '#fffdf6', shadow: 'none' } },
  };
}

/** The one theme of the component library, from the tokens in `styles/tokens.css`. */
export const preset = definePreset(parts, {
  primitive: { borderRadius: { none: '0', xs: '2px', sm: '3px', md: '4px', lg: '4px', xl: '4px' } },
  semantic: {
    primary: river,
    focusRing: { width: '3px', style: 'solid', color: '#e2460f', offset: '2px' },
    formField: { paddingX: '0.5rem', paddingY: '0.3rem', borderRadius: '4px' },
    colorScheme: {
      light: {
        surface: { 0: '#fffdf6', ...ink },
        primary: {
          color: '#12505b',
          contrastColor: '#fffdf6',
          hoverColor: '#1d7280',
          activeColor: '#0e414a',
        },
        highlight: {
          background: '#d5e6e1',
          focusBackground: '#b9d2cb',
          color: '#15261f',
          focusColor: '#15261f',
        },
        text: { color: '#15261f', mutedColor: '#4c5b53' },
        formField: {
          background: '#fffdf6',
          borderColor: '#8b9089',
          hoverBorderColor: '#15261f',
          color: '#15261f',
          shadow: 'none',
        },
        overlay: {
          modal: { background: '#fffdf6', borderColor: '#15261f' },
          popover: { background: '#fffdf6', borderColor: '#15261f' },
          select: { background: '#fffdf6', borderColor: '#15261f' },
        },
        mask: { background: 'rgba(12, 26, 20, 0.5)' },
      },
    },
  },
  components: {
    dialog: { root: { borderRadius: '4px', shadow: 'none' }, title: { fontSize: '19px', fontWeight: '700' } },
    toast: {
      root: { borderRadius: '0', borderWidth: '0 0 0 5px' },
      colorScheme: {
        light: {
          info: told('#c3d12c'),
          success: told('#c3d12c'),
          warn: told('#9b5320'),
          error: told('#b8341b'),
        },
      },
    },
  },
});
