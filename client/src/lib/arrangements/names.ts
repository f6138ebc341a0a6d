/** The words for what an arrangement may be set to. */
export const entriesOf = <T extends string>(names: Record<T, string>) => Object.entries(names) as [T, string][];
export const kinds = { gallery: 'Gallery', slider: 'Slider', carousel: 'Carousel' } as const;
export const changeKinds = { slide: 'slide', vertical: 'slide up', fade: 'fade', none: 'none' } as const;
export const galleryKinds = {
  grid: 'cells',
  rows: 'rows at true shapes',
  level: 'level columns',
  even: 'evenly spaced',
} as const;
export const stepKinds = { dots: 'dots', pictures: 'thumbnails', none: 'none' } as const;
export const arrowPlaces = { below: 'below', inside: 'over the pictures', none: 'none' } as const;
export const controlSizes = { small: 'small', usual: 'usual', large: 'large' } as const;
export const captionPlaces = { none: 'none', below: 'below', over: 'over', pointing: 'on pointing' } as const;
