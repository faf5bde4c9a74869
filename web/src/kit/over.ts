import { Dialog, DialogPanel, DialogTitle, Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/react';
import { saidElsewhere } from '../words/saidElsewhere.ts';

/** What lies over a view, dialogs and menus, in the words the page speaks. Fetched with whatever opens one, and not with the first page. */
saidElsewhere.add(MenuButton);
saidElsewhere.add(DialogTitle);

// what is closed gives the focus back to who had it, as far as the library was there to see: it is told who has it as it comes
if (typeof document !== 'undefined') document.activeElement?.dispatchEvent(new FocusEvent('focus'));

export { Dialog, DialogPanel, DialogTitle, Menu, MenuButton, MenuItem, MenuItems };
