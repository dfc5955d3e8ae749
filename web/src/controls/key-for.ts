/** Where letters are typed, or a choice is open: every key is theirs. */
const TYPED = 'input, textarea, [role=combobox], [role=dialog], [role=menu], [role=listbox]';
/** What Enter and Space press. */
const PRESSED = 'button, a, [role=radio], [role=checkbox], [role=switch], mat-expansion-panel-header';

/**
 * The key that was pressed for the boat, with what was held: Ctrl+z. What has the focus keeps its own keys; a mark on the boat
 * has none. Escape leads out of a field and back to the boat.
 * @returns null where the key is for something else
 */
export function keyFor(event: KeyboardEvent): string | null {
  const target = event.target as HTMLElement;
  const ctrl = event.ctrlKey || event.metaKey;
  if (event.key === 'Escape' && target.closest('input, textarea, button')) target.blur();
  if (event.altKey || target.closest(TYPED)) return null;
  if (event.key.startsWith('Arrow') && (ctrl || target.closest('[role=radiogroup], [role=tablist]'))) return null;
  const presses = (event.key === 'Enter' || event.key === ' ') && !event.ctrlKey;
  if (presses && target.closest(PRESSED)) return null;
  const held = ctrl ? 'Ctrl+' : event.shiftKey && event.key === 'F10' ? 'Shift+' : '';
  return held + event.key;
}
