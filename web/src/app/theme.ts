import { useState } from 'react';

type Theme = 'light' | 'night';
const KEPT = 'fair-edge-theme';

export function applyKeptTheme() {
  document.documentElement.dataset.theme = keptTheme();
}

function keptTheme(): Theme {
  return localStorage.getItem(KEPT) === 'night' ? 'night' : 'light';
}

export function useTheme(): [Theme, (theme: Theme) => void] {
  const [theme, setTheme] = useState(keptTheme);
  return [
    theme,
    (next) => {
      localStorage.setItem(KEPT, next);
      document.documentElement.dataset.theme = next;
      setTheme(next);
    },
  ];
}
