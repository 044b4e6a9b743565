// What is hidden takes no focus, and what is to be shown is shown only with the next frame: so the focus waits for it.
export const focusShown = (component, find) => component.$nextTick(() => requestAnimationFrame(() => find()?.focus()));
