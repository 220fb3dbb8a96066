import MuiAccordion from '@mui/material/Accordion';
import AccordionDetails from '@mui/material/AccordionDetails';
import AccordionSummary from '@mui/material/AccordionSummary';

interface Props {
  title: React.ReactNode;
  children: React.ReactNode;
  isOpenAtFirst?: boolean;
}

/** More of something, one press away. */
export const Fold = ({ title, children, isOpenAtFirst = false }: Props) => (
  <MuiAccordion defaultExpanded={isOpenAtFirst} slotProps={{ heading: { component: 'h2' } }}>
    <AccordionSummary
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
