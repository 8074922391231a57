/** Inputs that are chosen, not typed into. */
const UNTYPED = ['radio', 'checkbox', 'button', 'file'];

/** Whether a key press belongs to a field or a control, and must not act as a shortcut. */
export function isTyping(event: KeyboardEvent | React.KeyboardEvent): boolean {
  const target = event.target as HTMLElement | null;
  if (!target) return false;
  return (
    target.isContentEditable ||
    ['TEXTAREA', 'SELECT'].includes(target.tagName) ||
    (target instanceof HTMLInputElement && !UNTYPED.includes(target.type)) ||
    target.closest('[role="dialog"],[role="menu"]') !== null
  );
}

export function hasModifier(event: KeyboardEvent | React.KeyboardEvent): boolean {
  return event.ctrlKey || event.metaKey || event.altKey;
}
