import { Popover, type PopoverProps } from 'antd';
import {
  cloneElement,
  createContext,
  use,
  useEffect,
  useRef,
  useState,
  type ReactElement,
  type ReactNode,
  type Ref,
  type RefObject,
} from 'react';

interface Props {
  title?: string;
  /** What the form is called where it shows no title. */
  label?: string;
  placement?: PopoverProps['placement'];
  /** Said by those who open and close it themselves. */
  open?: boolean;
  onOpenChange?: (open: boolean) => void;
  content: ReactNode | ((close: () => void) => ReactNode);
  /** The button that opens it. */
  children: ReactElement<{ ref?: Ref<HTMLElement> }>;
}

/** Keeps what was typed and closes the form, for fields that have to ask whether it can be kept. */
const KeepForm = createContext<() => void>(() => undefined);
export const useKeepForm = () => use(KeepForm);

/**
 * A form over the page that a button opens. It takes the focus when it opens and gives it back when it closes; Tab stays in it,
 * Escape closes it, Enter in a field keeps what was typed and closes it.
 */
export function FormPopover({ title, label, placement, open, onOpenChange, content, children }: Props) {
  const [own, setOwn] = useState(false);
  const opener = useRef<HTMLElement>(null);
  const isOpen = open ?? own;
  const set = (next: boolean) => {
    setOwn(next);
    onOpenChange?.(next);
  };
  const close = () => {
    // First: a field keeps what was typed when it loses the focus.
    opener.current?.focus();
    set(false);
  };
  return (
    <Popover
      trigger="click"
      open={isOpen}
      onOpenChange={set}
      {...(title && { title })}
      {...(placement && { placement })}
      destroyOnHidden
      content={
        <KeepForm value={close}>
          <Form label={label ?? title ?? ''} opener={opener} onClose={close}>
            {typeof content === 'function' ? content(close) : content}
          </Form>
        </KeepForm>
      }
    >
      {cloneElement(children, { ref: opener })}
    </Popover>
  );
}

interface FormProps {
  label: string;
  opener: RefObject<HTMLElement | null>;
  onClose: () => void;
  children: ReactNode;
}

function Form({ label, opener, onClose, children }: FormProps) {
  const form = useRef<HTMLDivElement>(null);
  const close = useRef(onClose);
  useEffect(() => {
    close.current = onClose;
  });
  useEffect(() => {
    const inside = form.current!;
    let frame = 0;
    // It takes no focus before it has been laid at its place.
    const take = (tries: number) => {
      if (!inside.contains(document.activeElement) && !focusAn(reachable(inside)) && tries > 0) {
        frame = requestAnimationFrame(() => take(tries - 1));
      }
    };
    take(60);
    const hear = (event: KeyboardEvent) => {
      const field = event.target as HTMLElement;
      // Keys in a list that a field has opened are the list's.
      if (event.defaultPrevented) return;
      if (event.key === 'Escape' && field === opener.current) return close.current();
      if (!inside.contains(field) || field.getAttribute('aria-expanded') === 'true') return;
      if (event.key === 'Escape' || (event.key === 'Enter' && field.matches(FIELDS))) {
        event.preventDefault();
        close.current();
      } else if (event.key === 'Tab') {
        const all = reachable(inside);
        if (event.shiftKey) all.reverse();
        if (field === all.at(-1) && focusAn(all)) event.preventDefault();
      }
    };
    // After the fields, which hear theirs first and say what they keep for themselves.
    document.addEventListener('keydown', hear);
    return () => {
      cancelAnimationFrame(frame);
      document.removeEventListener('keydown', hear);
    };
  }, [opener]);
  return (
    <div ref={form} className="form-popover" role="dialog" aria-label={label}>
      {children}
    </div>
  );
}

/** Fields that hold what was typed. */
const FIELDS = 'input:not([type="radio"]):not([type="checkbox"]):not([type="range"]):not([role="combobox"])';

/** The controls that Tab leads to, in their order. */
function reachable(form: HTMLElement): HTMLElement[] {
  return [...form.querySelectorAll<HTMLElement>('a[href], button, input, select, textarea, summary, [tabindex="0"]')].filter(
    (element) => !element.matches(':disabled, [tabindex="-1"]') && !isUnchosenRadio(element),
  );
}

/** Focuses the first that takes the focus; false where none does. */
function focusAn(all: HTMLElement[]): boolean {
  return all.some((element) => {
    element.focus({ preventScroll: true });
    return document.activeElement === element;
  });
}

/** Tab leads to the chosen one of a group, as the browser has it. */
function isUnchosenRadio(element: HTMLElement): boolean {
  if (!(element instanceof HTMLInputElement) || element.type !== 'radio' || element.checked) return false;
  const group = element.closest('[role="radiogroup"], .ant-radio-group');
  return group?.querySelector('input[type="radio"]:checked') != null;
}
