/** Elements of SVG that draw, or say how: all others are left out with what is in them. */
export const ELEMENTS = new Set(
  `svg g defs symbol use switch a title desc style
   path rect circle ellipse line polyline polygon text tspan textPath image
   linearGradient radialGradient stop pattern clipPath mask marker
   filter feBlend feColorMatrix feComponentTransfer feComposite feConvolveMatrix feDiffuseLighting feDisplacementMap
   feDistantLight feDropShadow feFlood feFuncA feFuncB feFuncG feFuncR feGaussianBlur feMerge feMergeNode feMorphology
   feOffset fePointLight feSpecularLighting feSpotLight feTile feTurbulence`
    .split(/\s+/)
    .filter(Boolean),
);

/** Elements whose text is drawn or read. */
export const WITH_TEXT = new Set(['text', 'tspan', 'textPath', 'title', 'desc', 'style', 'a']);

/** Attributes that draw, or say how. */
export const ATTRIBUTES = new Set(
  `id class style transform lang xml:space xml:lang
   x y x1 y1 x2 y2 dx dy width height viewBox preserveAspectRatio version
   cx cy r rx ry fx fy fr d points pathLength rotate textLength lengthAdjust startOffset method spacing side
   offset gradientUnits gradientTransform spreadMethod patternUnits patternContentUnits patternTransform
   clipPathUnits maskUnits maskContentUnits markerUnits markerWidth markerHeight orient refX refY
   systemLanguage requiredFeatures
   filterUnits primitiveUnits in in2 result type mode values operator k1 k2 k3 k4 radius order kernelMatrix divisor bias
   targetX targetY edgeMode kernelUnitLength preserveAlpha surfaceScale diffuseConstant specularConstant specularExponent
   scale xChannelSelector yChannelSelector azimuth elevation z pointsAtX pointsAtY pointsAtZ limitingConeAngle
   tableValues slope intercept amplitude exponent stdDeviation baseFrequency numOctaves seed stitchTiles
   alignment-baseline baseline-shift clip clip-path clip-rule color color-interpolation color-interpolation-filters
   cursor direction display dominant-baseline enable-background fill fill-opacity fill-rule filter flood-color
   flood-opacity font font-family font-size font-size-adjust font-stretch font-style font-variant font-weight
   glyph-orientation-horizontal glyph-orientation-vertical image-rendering isolation kerning letter-spacing
   lighting-color marker marker-start marker-mid marker-end mask mask-type mix-blend-mode opacity overflow paint-order
   pointer-events shape-rendering stop-color stop-opacity stroke stroke-dasharray stroke-dashoffset stroke-linecap
   stroke-linejoin stroke-miterlimit stroke-opacity stroke-width text-anchor text-decoration text-orientation
   text-rendering transform-origin unicode-bidi vector-effect visibility word-spacing writing-mode`
    .split(/\s+/)
    .filter(Boolean),
);
