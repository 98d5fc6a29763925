/** The time, kept up to date while a component lives. It starts from the server's, so that both draw the same page. */
export function useNow(start: string, everyMs = 15_000): { readonly iso: string } {
  let iso = $state(start);
  $effect(() => {
    const tick = () => (iso = new Date().toISOString());
    tick();
    const timer = setInterval(tick, everyMs);
    return () => clearInterval(timer);
  });
  return {
    get iso() {
      return iso;
    }
  };
}
