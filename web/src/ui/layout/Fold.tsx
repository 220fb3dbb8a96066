import MuiAccordion from '@mui/material/Accordion';
import AccordionDetails from '@mui/material/AccordionDetails';
import AccordionSummary from '@mui/material/AccordionSummary';
import { useId } from 'react';

interface Props {
  title: React.ReactNode;
  children: React.ReactNode;
  isOpenAtFirst?: boolean;
  /** Of its heading among those around it. */
  level?: 2 | 3;
}

/** More of something, one press away. */
export function Fold({ title, children, isOpenAtFirst = false, level = 2 }: Props) {
  const id = useId(); // names the region it opens
  return (
    <MuiAccordion
      defaultExpanded={isOpenAtFirst}
      slotProps={{ heading: { component: `h${level}` as const } }}
    >
      <AccordionSummary
        id={`${id}-head`}
        aria-controls={`${id}-inside`}
        expandIcon={<span aria-hidden="true">▾</span>}
        sx={{
          minHeight: 44,
          fontFamily: 'inherit',
          fontSize: 14,
          fontWeight: 600,
          '& .MuiAccordionSummary-content': { my: 0.5 },
        }}
      >
        {title}
      </AccordionSummary>
      <AccordionDetails>{children}</AccordionDetails>
    </MuiAccordion>
  );
}
