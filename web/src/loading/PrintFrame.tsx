interface Props {
  /** Address of the art's picture; `null` where there is none. */
  picture: string | null;
  x: number;
  y: number;
  width: number;
  height: number;
}

/** A print in a drawing to scale: its picture, framed so that it is seen on any cloth. */
export function PrintFrame({ picture, ...box }: Props) {
  return (
    <>
      {picture && <image href={picture} {...box} preserveAspectRatio="none" />}
      <rect {...box} fill="none" stroke="#ffffff" strokeWidth={5} />
      <rect {...box} fill="none" stroke="var(--brine)" strokeWidth={3} />
    </>
  );
}
