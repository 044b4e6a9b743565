using System.Collections.Frozen;

namespace Kalypto.Core.Reading;

/// <summary>The element names of SVG by what they are for.</summary>
internal static class SvgNames
{
    public const string Namespace = "http://www.w3.org/2000/svg";

    public static readonly FrozenSet<string> Shapes =
        FrozenSet.Create("path", "rect", "circle", "ellipse", "line", "polyline", "polygon");

    public static readonly FrozenSet<string> Containers = FrozenSet.Create("svg", "g", "a", "switch");

    /// <summary>The attribute by which a drawing that was made here says what could not be taken over into it.</summary>
    public const string Note = "data-note";

    /// <summary>What is never painted where it stands, only where it is referred to.</summary>
    public static readonly FrozenSet<string> Definitions = FrozenSet.Create(
        "defs", "symbol", "marker", "clipPath", "mask", "pattern", "linearGradient", "radialGradient", "filter", "view");

    public static readonly FrozenSet<string> TextContent = FrozenSet.Create("text", "tspan", "textPath", "tref", "a");

    /// <summary>What is taken out of every drawing: it acts, moves, or is only for machines.</summary>
    public static readonly FrozenSet<string> Dropped = FrozenSet.Create(
        "script", "metadata", "desc", "title", "style", "animate", "animateTransform", "animateMotion", "animateColor",
        "set", "discard", "audio", "video", "iframe", "canvas", "cursor", "handler", "listener");

    public static bool IsLayer(string name) =>
        Shapes.Contains(name) || Containers.Contains(name) || name is "text" or "image" or "use";
}
