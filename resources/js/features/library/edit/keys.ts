/** Ctrl and S keep what was changed, wherever one is. */
export const saveKeys = (keep: () => unknown) => (event: KeyboardEvent) => {
    if ((event.ctrlKey || event.metaKey) && event.key === 's') {
        event.preventDefault();
        void keep();
    }
};
