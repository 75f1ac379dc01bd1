import type { ReactNode } from 'react'

/** What is listed of the whole email, row by row. @param heads what the columns are called */
export const ListTable = ({ heads, children }: { heads: readonly string[]; children: ReactNode }) => (
  <table className="w-full border-collapse text-xs">
    <thead>
      <tr className="text-left text-soft">
        {heads.map((head) => (
          <th key={head} scope="col" className="p-1 font-normal">
            {head}
          </th>
        ))}
      </tr>
    </thead>
    <tbody>{children}</tbody>
  </table>
)
