import { BendersDialog } from '../dialogs/BendersDialog';
import { BringInLines } from '../dialogs/BringInLines';
import { CatalogueDialog } from '../dialogs/CatalogueDialog';
import { ClashDialog } from '../dialogs/ClashDialog';
import { CombDialog } from '../dialogs/CombDialog';
import { RevisionsDialog } from '../dialogs/RevisionsDialog';
import { ServicesDialog } from '../dialogs/ServicesDialog';
import { SetsDialog } from '../dialogs/SetsDialog';
import { SeveralDialog } from '../dialogs/SeveralDialog';
import { SheetsDialog } from '../dialogs/SheetsDialog';
import { ValuesDialog } from '../dialogs/ValuesDialog';
import { JobPeopleDialog } from '../people/JobPeopleDialog';

/** All dialogs; each opens when the store asks for it. */
export function AllDialogs() {
  return (
    <>
      <BendersDialog />
      <BringInLines />
      <CatalogueDialog />
      <ClashDialog />
      <CombDialog />
      <JobPeopleDialog />
      <RevisionsDialog />
      <ServicesDialog />
      <SetsDialog />
      <SheetsDialog />
      <SeveralDialog />
      <ValuesDialog />
    </>
  );
}
