import { Link } from 'react-router';
import type { ElementType, ReactNode } from 'react';
import * as react from 'react/jsx-runtime';
import { useSettings } from '../state/settings.ts';
import { inAmerican } from './asWritten.ts';
import { saidElsewhere } from './saidElsewhere.ts';

/**
 * Everything the page says passes through here once, so that it speaks either vocabulary of the trade and no view has to think of it.
 * What a person wrote is left alone: marked `translate="no"`, or a name given to something (`leaveAsWritten`). Used by the build in the place of React's own.
 */
type Props = Readonly<Record<string, unknown>> & { readonly children?: ReactNode };

const SPOKEN = ['aria-label', 'title', 'placeholder', 'alt'] as const;

const said = (child: ReactNode): ReactNode =>
  typeof child === 'string'
    ? inAmerican(child)
    : Array.isArray(child)
      ? child.map((each: ReactNode) => (typeof each === 'string' ? said(each) : each))
      : child;

saidElsewhere.add(Link);

function worded(type: ElementType, props: Props): Props {
  if ((typeof type !== 'string' && !saidElsewhere.has(type)) || useSettings.getState().words === 'british' || props.translate === 'no') return props;
  const attributes = SPOKEN.flatMap((name) => (typeof props[name] === 'string' ? [[name, inAmerican(props[name])] as const] : []));
  return { ...props, ...Object.fromEntries(attributes), ...(props.children === undefined ? {} : { children: said(props.children) }) };
}

export const Fragment = react.Fragment;
export const jsx = (type: ElementType, props: Props, key?: string): unknown => react.jsx(type, worded(type, props), key);
export const jsxs = (type: ElementType, props: Props, key?: string): unknown => react.jsxs(type, worded(type, props), key);
