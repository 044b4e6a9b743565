using System.Globalization;
using System.Runtime.CompilerServices;
using System.Text;
using Kalypto.Core.Designs;
using Kalypto.Core.Exporting.SvgRules;
using Kalypto.Core.Formats;
using Kalypto.Core.Isolating;

namespace Kalypto.Core.Exporting;

/// <summary>
/// Writes a layer as Android's vector drawable (reference of VectorDrawable, API level 24): paths with plain or gradient
/// paint, clips and nothing else. Transforms go into the numbers; what it cannot show is refused with the reason.
/// </summary>
public static class VectorDrawable
{
    /// <summary>The name and version of this writer; part of every content key.</summary>
    public const string Version = "vector 2";

    private static readonly ConditionalWeakTable<Isolation, StrongBox<VectorRefusal?>> Refusals = [];

    /// <summary>Why a layer cannot be one; null when it can.</summary>
    public static VectorRefusal? RefusalOf(Isolation isolation, Box shape) => Refusals.GetValue(isolation, i => new(Of(i, shape, shape.Width, shape.Height).Refusal)).Value;

    /// <summary>Writes a layer.</summary>
    /// <param name="isolation">The layer.</param>
    /// <param name="crop">The rectangle to show, in drawing units.</param>
    /// <param name="width">The width in dp.</param>
    /// <param name="height">The height in dp.</param>
    /// <param name="ground">A colour under it, <c>#rrggbb</c>; null for none.</param>
    /// <param name="credit">Lines to carry as a comment, or null.</param>
    /// <returns>The text of the file, or why there is none.</returns>
    public static (string? Text, VectorRefusal? Refusal) Of(Isolation isolation, Box crop, double width, double height, string? ground = null, CreditLines? credit = null)
    {
        var (definitions, drawn) = isolation.ToElements();
        return Write(new ExportNode("svg").With(new ExportNode("defs").With(definitions.Select(ExportNode.Of)), ExportNode.Of(drawn)), crop, width, height, ground, credit);
    }

    /// <summary>Writes a drawing as it is, such as one whose texts became outlines.</summary>
    public static (string? Text, VectorRefusal? Refusal) Of(DrawingTree drawing, double width, double height, CreditLines? credit = null) =>
        Write(ExportNode.Of(drawing.Root), drawing.Box, width, height, null, credit);

    private static (string? Text, VectorRefusal? Refusal) Write(ExportNode root, Box crop, double width, double height, string? ground, CreditLines? credit)
    {
        new StylesAsAttributes().Apply(root, 3);
        new NoLeftovers().Apply(root, 3);
        var scale = new Matrix(width / crop.Width, 0, 0, height / crop.Height, -crop.X * width / crop.Width, -crop.Y * height / crop.Height);
        try
        {
            var body = new VectorBody(root).Write(scale);
            var (w, h) = (Numbers.Text(width, 3), Numbers.Text(height, 3));
            var text = new StringBuilder("<?xml version=\"1.0\" encoding=\"utf-8\"?>\n");
            if (credit is { IsEmpty: false })
            {
                text.Append("<!-- ").Append(credit.ToString().Replace("--", "–", StringComparison.Ordinal)).Append(" -->\n");
            }
            text.Append("<vector xmlns:android=\"http://schemas.android.com/apk/res/android\"");
            if (body.Contains("<aapt:", StringComparison.Ordinal))
            {
                text.Append("\n    xmlns:aapt=\"http://schemas.android.com/aapt\"");
            }
            text.Append(CultureInfo.InvariantCulture, $"\n    android:width=\"{w}dp\"\n    android:height=\"{h}dp\"\n    android:viewportWidth=\"{w}\"\n    android:viewportHeight=\"{h}\">\n");
            if (ground is not null)
            {
                text.Append(CultureInfo.InvariantCulture, $"  <path android:pathData=\"M0,0h{w}v{h}h-{w}z\" android:fillColor=\"#FF{ground[1..].ToUpperInvariant()}\"/>\n");
            }
            return (text.Append(body).Append("</vector>\n").ToString(), null);
        }
        catch (VectorRefusedException e)
        {
            return (null, e.Refusal);
        }
    }
}
