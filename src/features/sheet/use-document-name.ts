import { useEffect } from 'react';

/** While it is open the document has the name that the printed file is to have. */
export function useDocumentName(name: string): void {
  useEffect(() => {
    const before = document.title;
    document.title = name;
    return () => {
      document.title = before;
    };
  }, [name]);
}
