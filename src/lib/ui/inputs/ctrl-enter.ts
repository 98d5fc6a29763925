/** Sends a form with Ctrl and Enter from any of its fields, a text area included. */
export function ctrlEnter(form: HTMLFormElement): { destroy(): void } {
  const send = (event: KeyboardEvent) => {
    if (event.key === 'Enter' && (event.ctrlKey || event.metaKey)) form.requestSubmit();
  };
  form.addEventListener('keydown', send);
  return { destroy: () => form.removeEventListener('keydown', send) };
}
