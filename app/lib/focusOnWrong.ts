/** To the first field of the page that is said to be wrong, where there is one. */
export function focusOnWrong(): void {
  if (typeof document !== 'undefined') document.querySelector<HTMLElement>('[aria-invalid="true"]')?.focus();
}
