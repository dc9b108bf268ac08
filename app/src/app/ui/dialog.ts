import type { ModalOptions, NzModalRef, NzModalService } from 'ng-zorro-antd/modal';

/** A dialog with a title that is its name as well, for those who hear the page instead of seeing it. */
type Titled = Omit<ModalOptions, 'nzTitle'> & { readonly nzTitle: string };

/** Opens a dialog. */
export function openDialog(modal: NzModalService, options: Titled): NzModalRef {
  return named(modal.create({ nzFooter: null, ...options }), options.nzTitle);
}

/** Asks something that is answered with one of two buttons. */
export function askInDialog(modal: NzModalService, options: Titled): NzModalRef {
  return named(modal.confirm(options), options.nzTitle);
}

function named(dialog: NzModalRef, title: string): NzModalRef {
  const element = dialog.getElement() as HTMLElement | undefined;
  element?.setAttribute('aria-label', title);
  element?.setAttribute('aria-modal', 'true');
  return dialog;
}
