import { definePreset } from '@primeuix/themes'
import Aura from '@primeuix/themes/aura'

/** Oxblood: the one accent, for the thing to do next. */
const oxblood = {
  50: '#fbf1f1',
  100: '#f2d9da',
  200: '#e2b1b4',
  300: '#cd8489',
  400: '#b0565e',
  500: '#96323e',
  600: '#7c1d2c',
  700: '#681724',
  800: '#52131d',
  900: '#3d0f17',
  950: '#270a0f',
}
/** Warm paper to warm ink. */
const paper = {
  0: '#fdfaf4',
  50: '#f8f3e9',
  100: '#efe8da',
  200: '#e0d6c3',
  300: '#cbbea6',
  400: '#a89a82',
  500: '#857865',
  600: '#675c4d',
  700: '#4c4338',
  800: '#352e26',
  900: '#241d16',
  950: '#16110c',
}

/** Ekko's own theme: flat, thin rules, square corners, warm paper. */
export const ekkoPreset = definePreset(Aura, {
  primitive: { borderRadius: { none: '0', xs: '1px', sm: '2px', md: '2px', lg: '3px', xl: '4px' } },
  semantic: {
    primary: oxblood,
    focusRing: { width: '2px', style: 'solid', color: '{primary.600}', offset: '1px', shadow: 'none' },
    formField: { paddingX: '0.55rem', paddingY: '0.42rem', borderRadius: '2px', shadow: 'none' },
    colorScheme: {
      light: {
        surface: paper,
        primary: {
          color: '{primary.600}',
          contrastColor: '#ffffff',
          hoverColor: '{primary.700}',
          activeColor: '{primary.800}',
        },
        highlight: {
          background: '{primary.50}',
          focusBackground: '{primary.100}',
          color: '{primary.800}',
          focusColor: '{primary.900}',
        },
        text: { color: '{surface.900}', mutedColor: '{surface.600}' },
        formField: {
          background: '#fffdf8',
          borderColor: '{surface.400}',
          hoverBorderColor: '{surface.600}',
          placeholderColor: '#675c4d',
          color: '{surface.900}',
          shadow: 'none',
        },
        content: { background: '{surface.0}', borderColor: '{surface.200}' },
      },
    },
  },
  components: {
    button: {
      root: { paddingY: '0.45rem', paddingX: '0.8rem', borderRadius: '2px', label: { fontWeight: '600' } },
      colorScheme: {
        light: {
          text: { secondary: { color: '{surface.700}' } },
          outlined: { secondary: { color: '{surface.800}', borderColor: '{surface.600}' } },
        },
      },
    },
    datatable: {
      headerCell: { background: 'transparent', padding: '0.3rem 0.5rem', borderColor: '{surface.900}' },
      bodyCell: { padding: '0.25rem 0.5rem' },
      row: { background: 'transparent' },
    },
    dialog: { root: { borderRadius: '2px', shadow: '0 12px 40px rgb(36 29 22 / 0.25)' } },
    togglebutton: {
      root: { padding: '0.3rem' },
      colorScheme: { light: { root: { color: '{surface.700}' } } },
    },
  },
})
