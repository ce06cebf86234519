import { Field } from './Field';

/** The name of an item: any text that is not empty. */
export function NameField({
  label,
  name,
  onChange,
}: {
  label: string;
  name: string;
  onChange: (name: string) => Promise<void>;
}) {
  const enter = async (typed: string) => {
    const text = typed.trim();
    if (text === '') {
      throw new Error('A name is missing here.');
    }
    await onChange(text);
  };
  return <Field label={label} text={name} onEnter={enter} kind="text" />;
}
