/** Between two slices of long work: whoever asks for a page meanwhile is answered. */
export const letOthersIn = () => new Promise<void>((next) => setTimeout(next))
