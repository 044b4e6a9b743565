using System.Collections.Frozen;

namespace Kalypto.Core.Exporting;

/// <summary>What is known of the presentation attributes of SVG (SVG 1.1, appendix N, and the few later ones that are drawn).</summary>
internal static class Properties
{
    /// <summary>Properties that reach what lies inside, with what holds when nobody says anything.</summary>
    public static readonly FrozenDictionary<string, string> Inherited = new Dictionary<string, string>
    {
        ["fill"] = "#000",
        ["fill-opacity"] = "1",
        ["fill-rule"] = "nonzero",
        ["stroke"] = "none",
        ["stroke-width"] = "1",
        ["stroke-opacity"] = "1",
        ["stroke-linecap"] = "butt",
        ["stroke-linejoin"] = "miter",
        ["stroke-miterlimit"] = "4",
        ["stroke-dasharray"] = "none",
        ["stroke-dashoffset"] = "0",
        ["clip-rule"] = "nonzero",
        ["color"] = "",
        ["color-interpolation"] = "sRGB",
        ["color-interpolation-filters"] = "linearRGB",
        ["cursor"] = "",
        ["direction"] = "ltr",
        ["dominant-baseline"] = "auto",
        ["font-family"] = "",
        ["font-size"] = "",
        ["font-stretch"] = "normal",
        ["font-style"] = "normal",
        ["font-variant"] = "normal",
        ["font-weight"] = "normal",
        ["image-rendering"] = "auto",
        ["letter-spacing"] = "normal",
        ["marker-start"] = "none",
        ["marker-mid"] = "none",
        ["marker-end"] = "none",
        ["paint-order"] = "normal",
        ["shape-rendering"] = "auto",
        ["text-anchor"] = "start",
        ["text-decoration"] = "none",
        ["text-rendering"] = "auto",
        ["visibility"] = "visible",
        ["word-spacing"] = "normal",
        ["writing-mode"] = "lr-tb",
    }.ToFrozenDictionary();

    /// <summary>Properties of the element alone, with what holds when nobody says anything.</summary>
    public static readonly FrozenDictionary<string, string> OfItself = new Dictionary<string, string>
    {
        ["opacity"] = "1",
        ["clip-path"] = "none",
        ["mask"] = "none",
        ["filter"] = "none",
        ["display"] = "inline",
        ["overflow"] = "",
        ["stop-color"] = "#000",
        ["stop-opacity"] = "1",
        ["flood-color"] = "#000",
        ["flood-opacity"] = "1",
        ["lighting-color"] = "#fff",
        ["vector-effect"] = "none",
        ["alignment-baseline"] = "auto",
        ["baseline-shift"] = "baseline",
        ["unicode-bidi"] = "normal",
    }.ToFrozenDictionary();

    /// <summary>Properties that say nothing of how a drawing looks.</summary>
    public static readonly FrozenSet<string> NotDrawn = FrozenSet.Create(
        "enable-background", "pointer-events", "user-select", "cursor", "will-change", "transition", "animation", "position", "margin", "padding", "top", "left", "z-index");

    public static readonly FrozenSet<string> Colours = FrozenSet.Create("fill", "stroke", "stop-color", "flood-color", "lighting-color", "color");

    public static readonly FrozenSet<string> Shapes = FrozenSet.Create("path", "rect", "circle", "ellipse", "line", "polyline", "polygon");
}
