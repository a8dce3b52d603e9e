/** Whether the help of the page is open; pages without the head of the shell open it themselves. */
export const useHelpOpen = () => useState('help-open', () => false)
