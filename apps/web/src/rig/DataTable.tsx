import { type Row, type RowData, type Table, flexRender } from "@tanstack/react-table";
import { useVirtualizer } from "@tanstack/react-virtual";
import { ChevronDown, ChevronUp } from "lucide-react";
import { useMemo, useRef } from "react";
import { type FieldsOfTable, TableCellContext } from "./tableCells.ts";

declare module "@tanstack/react-table" {
  // The names of the type parameters are given by the package.
  // eslint-disable-next-line @typescript-eslint/no-unused-vars
  interface ColumnMeta<TData extends RowData, TValue> {
    /** Classes of the heading and of the cells. */
    readonly heading?: string;
    readonly cell?: string;
    /** What the heading says when the pointer rests on it. */
    readonly title?: string;
    /** The cell that names its row. */
    readonly namesRow?: true;
  }
}

interface DataTableProps<T extends RowData> {
  table: Table<T>;
  label: string;
  /** Classes that say how wide the columns are. */
  columns: string;
  rowClass?: (row: Row<T>) => string;
  isChosen?: (row: Row<T>) => boolean;
}

/** The height of a row, pixels. */
const ROW = 28;

/** A table of few rows, all of them shown. */
export function SmallTable<T extends RowData>({ className = "", ...props }: DataTableProps<T> & { className?: string }) {
  const fields = useMemo<FieldsOfTable>(() => new Map(), []);
  return (
    <div role="grid" aria-label={props.label} className={className}>
      <HeadRow table={props.table} columns={`h-7 ${props.columns}`} />
      {props.table.getRowModel().rows.map((row, index) => (
        <BodyRow key={row.id} {...props} row={row} index={index} fields={fields} />
      ))}
    </div>
  );
}

/** A table that scrolls: of its rows those in sight are there. `children` stands under the headings, as where there is no row. */
export function ScrollingTable<T extends RowData>({ children, ...props }: DataTableProps<T> & { children?: React.ReactNode }) {
  const fields = useMemo<FieldsOfTable>(() => new Map(), []);
  const scroller = useRef<HTMLDivElement>(null);
  const { rows } = props.table.getRowModel();
  const shown = useVirtualizer({
    count: rows.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => ROW,
    overscan: 8,
    scrollPaddingStart: 32,
  });
  return (
    <div ref={scroller} role="grid" aria-label={props.label} aria-rowcount={rows.length + 1} className="min-h-0 flex-1 overflow-auto">
      <HeadRow table={props.table} columns={`sticky top-0 z-10 h-8 bg-base-100 ${props.columns}`} />
      {children}
      <div role="presentation" className="relative" style={{ height: shown.getTotalSize() }}>
        {shown.getVirtualItems().map((item) => {
          const row = rows[item.index];
          return row && <BodyRow key={row.id} {...props} row={row} index={item.index} top={item.start} fields={fields} />;
        })}
      </div>
    </div>
  );
}

function HeadRow<T extends RowData>({ table, columns }: { table: Table<T>; columns: string }) {
  return (
    <div role="row" aria-rowindex={1} className={`grid items-center border-b border-rule text-[13px] text-quiet ${columns}`}>
      {table.getFlatHeaders().map(({ id, column, getContext }) => {
        const { heading = "px-1.5", title } = column.columnDef.meta ?? {};
        const sorted = column.getIsSorted();
        const words = flexRender(column.columnDef.header, getContext());
        return (
          <span
            key={id}
            role="columnheader"
            title={title}
            className={heading}
            aria-sort={sorted === "asc" ? "ascending" : sorted === "desc" ? "descending" : undefined}
          >
            {column.getCanSort() ? (
              <button type="button" className="inline-flex items-center gap-0.5 hover:underline" onClick={column.getToggleSortingHandler()}>
                {words}
                {sorted === "asc" && <ChevronUp size={12} />}
                {sorted === "desc" && <ChevronDown size={12} />}
              </button>
            ) : (
              words
            )}
          </span>
        );
      })}
    </div>
  );
}

interface BodyRowProps<T extends RowData> extends DataTableProps<T> {
  row: Row<T>;
  /** Its place among the rows as they are shown, from 0. */
  index: number;
  /** Where it stands in a table that scrolls, pixels. */
  top?: number;
  fields: FieldsOfTable;
}

function BodyRow<T extends RowData>({ row, index, top, fields, columns, rowClass, isChosen }: BodyRowProps<T>) {
  return (
    <div
      role="row"
      aria-rowindex={index + 2}
      aria-selected={isChosen?.(row)}
      className={`grid h-7 items-center border-b border-rule/50 ${columns} ${top === undefined ? "" : "absolute left-0 w-full"} ${rowClass?.(row) ?? ""}`}
      style={top === undefined ? undefined : { top }}
    >
      {row.getVisibleCells().map(({ id, column, getContext }) => {
        const { cell = "", namesRow } = column.columnDef.meta ?? {};
        return (
          <span key={id} role={namesRow ? "rowheader" : "gridcell"} className={cell}>
            <TableCellContext value={{ fields, row: index, column: column.id }}>
              {flexRender(column.columnDef.cell, getContext())}
            </TableCellContext>
          </span>
        );
      })}
    </div>
  );
}
