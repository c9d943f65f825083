/** Lets the person pick files of these kinds; nothing happens where none is picked. */
export function pickFile(accept: string, take: (file: File) => void): void {
  const input = document.createElement('input');
  input.type = 'file';
  input.accept = accept;
  input.onchange = () => {
    const file = input.files?.[0];
    if (file) take(file);
  };
  input.click();
}
