import { Button, type ButtonProps } from 'antd';
import { useHref, useLinkClickHandler } from 'react-router';

/** A link to another page that looks like a button: one element, which the browser opens in a new tab as any link. */
export function LinkButton({ to, ...button }: { to: string } & Omit<ButtonProps, 'href' | 'onClick'>) {
  const href = useHref(to);
  const follow = useLinkClickHandler<HTMLAnchorElement>(to);
  // A button with an address is a link.
  return <Button {...button} href={href} onClick={(event) => follow(event as React.MouseEvent<HTMLAnchorElement>)} />;
}
