/** Where the program of the file for home begins: in place of the sheet it shows the week to be practised. */
import { createRoot } from 'react-dom/client';
import { InWords } from '@/ui';
import { weekOfPage } from './from-page';
import { HomeFile } from './home-file';
import { standInForIds, standInForStorage } from './small-storage';

standInForStorage();
standInForIds();
const home = weekOfPage();
const host = document.getElementById('home');
if (home && host) {
  document.documentElement.classList.add('plays');
  createRoot(host).render(
    <InWords bar={home.words.bar} notes={home.words.notes}>
      <HomeFile home={home} />
    </InWords>,
  );
}
