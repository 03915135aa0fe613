/** The rows of a long table that are not drawn, as so much height. */
export const RowGap = ({ px, columns }: { readonly px: number; readonly columns: number }) =>
  px > 0 && (
    <tr>
      <td colSpan={columns} style={{ height: px }} />
    </tr>
  )
