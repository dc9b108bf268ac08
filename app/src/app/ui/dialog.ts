import type { ModalOptions, NzModalRef, NzModalService } from 'ng-zorro-antd/modal';

/** A dialog with a title that is its name as well, for those who hear the page instead of seeing it. */
type Titled = Omit<ModalOptions, 'nzTitle'> & { readonly nzTitle: string };

/** Opens a dialog; without buttons of its own unless some are given. */
export function openDialog(modal: NzModalService, options: Titled): NzModalRef {
  const dialog = modal.create({ nzFooter: null, ...options });
  const element = dialog.getElement() as HTMLElement | undefined;
  element?.setAttribute('aria-label', options.nzTitle);
  element?.setAttribute('aria-modal', 'true');
  return dialog;
}
