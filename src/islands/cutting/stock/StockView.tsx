import { useCutting } from '../context.js';
import { BandsTable } from './BandsTable.js';
import { BoardsTable } from './BoardsTable.js';
import { MaterialStock } from './MaterialStock.js';
import { WorkshopFigures } from './WorkshopFigures.js';

/** What the shop has and orders: sheets, offcuts, boards, bands, with their prices; and how it cuts. */
export function StockView() {
  const { job } = useCutting();
  const sheets = job.materials.filter(({ form }) => form === 'sheet');
  return (
    <div className="grid grid-cols-[minmax(0,1fr)_20rem] items-start gap-3 max-lg:grid-cols-1">
      <div className="flex flex-col gap-3">
        <h1 className="sr-only">Stock</h1>
        {sheets.map((material) => (
          <MaterialStock key={material.id} material={material} />
        ))}
        <BoardsTable />
        <BandsTable />
      </div>
      <WorkshopFigures />
    </div>
  );
}
