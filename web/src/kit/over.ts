import { Dialog, DialogPanel, DialogTitle, Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/react';
import { saidElsewhere } from '../words/saidElsewhere.ts';

/** What lies over a view, dialogs and menus, in the words the page speaks. Fetched with whatever opens one, and not with the first page. */
saidElsewhere.add(MenuButton);
saidElsewhere.add(DialogTitle);

export { Dialog, DialogPanel, DialogTitle, Menu, MenuButton, MenuItem, MenuItems };
