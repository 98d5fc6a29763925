/** Takes the focus from whatever has it: for what must be answered now. */
export const focusNow = (node: HTMLElement): void => node.focus();
