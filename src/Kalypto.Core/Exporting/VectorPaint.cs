using Kalypto.Core.Designs;

namespace Kalypto.Core.Exporting;

/// <summary>How shapes are painted at one place of a drawing, with all that is handed down to it.</summary>
internal sealed record VectorPaint
{
    public string Fill { get; init; } = "#000";
    public string FillRule { get; init; } = "nonzero";
    public double FillOpacity { get; init; } = 1;
    public string Stroke { get; init; } = "none";
    public double StrokeOpacity { get; init; } = 1;
    public string StrokeWidth { get; init; } = "1";
    public string LineCap { get; init; } = "butt";
    public string LineJoin { get; init; } = "miter";
    public string MiterLimit { get; init; } = "4";
    public string? Dashes { get; init; }
    public bool Markers { get; init; }
    public bool Hidden { get; init; }
    public bool StrokeFirst { get; init; }
    public string Colour { get; init; } = "#000";

    /// <summary>The opacity of everything around, multiplied.</summary>
    public double Opacity { get; init; } = 1;

    /// <summary>What holds inside an element.</summary>
    public VectorPaint With(ExportNode node)
    {
        var colour = node["color"] ?? Colour;
        string Paint(string? said, string around) => said is null or "inherit" ? around : said.Equals("currentColor", StringComparison.OrdinalIgnoreCase) ? colour : said;
        return this with
        {
            Colour = colour,
            Fill = Paint(node["fill"], Fill),
            FillRule = node["fill-rule"] ?? FillRule,
            FillOpacity = Numbers.Length(node["fill-opacity"]) ?? FillOpacity,
            Stroke = Paint(node["stroke"], Stroke),
            StrokeOpacity = Numbers.Length(node["stroke-opacity"]) ?? StrokeOpacity,
            StrokeWidth = node["stroke-width"] ?? StrokeWidth,
            LineCap = node["stroke-linecap"] ?? LineCap,
            LineJoin = node["stroke-linejoin"] ?? LineJoin,
            MiterLimit = node["stroke-miterlimit"] ?? MiterLimit,
            Hidden = node["visibility"] is { } visibility and not "inherit" ? visibility is "hidden" or "collapse" : Hidden,
            StrokeFirst = node["paint-order"] is { } order ? order.StartsWith("stroke", StringComparison.Ordinal) : StrokeFirst,
            Dashes = node["stroke-dasharray"] ?? Dashes,
            Markers = Markers || node["marker-start"] is not (null or "none") || node["marker-mid"] is not (null or "none") || node["marker-end"] is not (null or "none"),
        };
    }
}
