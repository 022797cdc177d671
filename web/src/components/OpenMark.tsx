/** The mark of what opens: a small triangle in the color of the words beside it. */
export const OpenMark = () => (
  <svg
    viewBox="0 0 8 5"
    width="8"
    height="5"
    aria-hidden="true"
    style={{ flexShrink: 0, height: 5, width: 8 }}
  >
    <path d="M0 0h8L4 5z" fill="currentColor" />
  </svg>
);
