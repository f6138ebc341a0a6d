/** The one field that asks: kept here, so that it outlives whatever asked. */
let field: HTMLInputElement | null = null;

/**
 * Asks for files of this computer; an empty list where a person thinks better of it. Called while a press is being
 * handled.
 */
export function pickFiles({ many = true, accept = '', folder = false } = {}): Promise<File[]> {
  const input = document.createElement('input');
  field = input;
  Object.assign(input, { type: 'file', multiple: many, accept, webkitdirectory: folder });
  return new Promise((resolve) => {
    const end = () => {
      if (field === input) field = null;
      resolve([...(input.files ?? [])]);
    };
    input.addEventListener('change', end, { once: true });
    input.addEventListener('cancel', end, { once: true });
    input.click();
  });
}
