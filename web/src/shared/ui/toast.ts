import { create } from 'zustand';

export interface Toast {
  readonly words: string;
  readonly action?: { readonly name: string; readonly run: () => void };
}
interface ToastStore {
  readonly toast: Toast | null;
  readonly show: (toast: Toast) => void;
  readonly clear: () => void;
}

let timer: ReturnType<typeof setTimeout> | undefined;

/** One line at the foot of the window, with at most one thing to do about it. */
export const useToast = create<ToastStore>()((set) => ({
  toast: null,
  show: (toast) => {
    clearTimeout(timer);
    set({ toast });
    timer = setTimeout(() => set({ toast: null }), toast.action ? 12_000 : 5000);
  },
  clear: () => set({ toast: null }),
}));

export const say = (words: string, action?: Toast['action']): void => {
  useToast.getState().show(action ? { words, action } : { words });
};
