/** After a press with the pointer the focus goes back to the page, so that the arrow keys mean the song again. */
export function letGo(event: MouseEvent): void {
  const isPointer = event.detail > 0;
  if (isPointer && document.activeElement instanceof HTMLElement) document.activeElement.blur();
}
