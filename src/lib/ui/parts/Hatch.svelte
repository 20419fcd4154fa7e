<!-- Patterns that marks and charts share; stands once in the frame. -->
<svg width="0" height="0" class="absolute" aria-hidden="true">
    <defs>
        <pattern id="hatch" width="4" height="4" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
            <path d="M0 0V4" stroke="var(--color-base-content)" stroke-width="1.3" />
        </pattern>
        <pattern id="hatch-faint" width="3" height="3" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
            <path d="M0 0V3" stroke="var(--ink3)" stroke-width="0.9" />
        </pattern>
    </defs>
</svg>
