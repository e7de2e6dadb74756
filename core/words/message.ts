import { IntlMessageFormat } from 'intl-messageformat';

type Values = Readonly<Record<string, string | number>>;

/**
 * A message in ICU's syntax, such as `{count, plural, one {# reading} other {# readings}}`, in a language (BCP 47). It is
 * compiled when it is first said.
 */
export function message<V extends Values>(language: string, text: string): (values: V) => string {
  let compiled: IntlMessageFormat | undefined;
  return (values) => {
    compiled ??= new IntlMessageFormat(text, language);
    return String(compiled.format(values));
  };
}
