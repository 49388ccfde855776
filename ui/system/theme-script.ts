/** Runs before the first paint, so that a dark shop stays dark. */
export const THEME_SCRIPT = `try{var t=localStorage.getItem('pelvik-theme');if(!t&&matchMedia('(prefers-color-scheme: dark)').matches)t='dark';if(t)document.documentElement.dataset.theme=t}catch(e){}`;
