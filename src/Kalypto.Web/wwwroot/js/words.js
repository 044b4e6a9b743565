// Numbers as people read them, for sums that are made on the page.
export const count = (n, noun) => `${n} ${noun}${n === 1 ? '' : 's'}`;

export const weight = (bytes, isEstimate) => (isEstimate ? '~' : '') + (bytes < 1000 ? `${bytes} B`
  : bytes < 99_500 ? `${Math.round(bytes / 100) / 10} kB` : bytes < 999_500 ? `${Math.round(bytes / 1000)} kB` : `${(bytes / 1e6).toFixed(1)} MB`);
