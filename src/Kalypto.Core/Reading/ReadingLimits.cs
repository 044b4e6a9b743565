namespace Kalypto.Core.Reading;

/// <summary>How large a drawing may be. Generous for what people draw, small enough to keep a renderer alive.</summary>
public sealed record ReadingLimits
{
    /// <summary>The limits that hold unless said otherwise.</summary>
    public static ReadingLimits Default { get; } = new();

    /// <summary>Bytes of the file.</summary>
    public int Bytes { get; init; } = 64 * 1024 * 1024;

    /// <summary>Bytes of what was read, each text once: what the server takes for a drawing follows from it.</summary>
    public long ReadBytes { get; init; } = 192 * 1024 * 1024;

    /// <summary>Brackets within brackets in styles and values. Real ones come to five or six.</summary>
    public int Nesting { get; init; } = 40;

    /// <summary>Elements in the file.</summary>
    public int Elements { get; init; } = 120_000;

    /// <summary>Attributes of one element.</summary>
    public int Attributes { get; init; } = 500;

    /// <summary>Elements nested in one another. The renderer refuses more than 256, and a sub-document needs a few itself.</summary>
    public int Depth { get; init; } = 200;

    /// <summary>Elements to draw when every repeat (<c>use</c>) is followed.</summary>
    public int ExpandedElements { get; init; } = 400_000;

    /// <summary>Width and height, in drawing units.</summary>
    public double Side { get; init; } = 32_000;

    /// <summary>Selectors in all style sheets.</summary>
    public int StyleRules { get; init; } = 4_000;

    /// <summary>Comparisons of selectors with elements, in all.</summary>
    public long StyleSteps { get; init; } = 40_000_000;

    /// <summary>Steps in one filter.</summary>
    public int FilterPrimitives { get; init; } = 60;

    /// <summary>Screens in one drawing.</summary>
    public int Screens { get; init; } = 500;
}
