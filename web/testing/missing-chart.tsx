/** In place of the chart, which measures itself: nothing here has a size. */
export const MissingChart = ({
  expected,
  planned,
}: {
  readonly expected: number;
  readonly planned: number;
}) => <figure aria-label={`${planned} of ${expected}`} />;
