/** A picture that is shown no more would else go on coming, before what is asked for next. */
export const letGo = (picture: HTMLImageElement) => () => picture.removeAttribute('src');
