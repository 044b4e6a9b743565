using System.Globalization;
using System.Runtime.CompilerServices;
using System.Text;
using Kalypto.Core.Designs;
using Kalypto.Core.Exporting.SvgRules;
using Kalypto.Core.Isolating;

namespace Kalypto.Core.Exporting;

/// <summary>
/// Writes a layer as Android's vector drawable (reference of VectorDrawable, API level 24): paths with plain or gradient
/// paint, clips and nothing else. Transforms go into the numbers; what it cannot show is refused with the reason.
/// </summary>
public static class VectorDrawable
{
    /// <summary>The name and version of this writer; part of every content key.</summary>
    public const string Version = "vector 3";

    private static readonly ConditionalWeakTable<Isolation, StrongBox<VectorRefusal?>> Refusals = [];

    /// <summary>Why a layer cannot be one; null when it can.</summary>
    public static VectorRefusal? RefusalOf(Isolation isolation, Box shape) => Refusals.GetValue(isolation, i => new(Of(i, shape, shape.Width, shape.Height).Refusal)).Value;

    /// <summary>Writes a layer.</summary>
    /// <param name="isolation">The layer.</param>
    /// <param name="crop">The rectangle to show, in drawing units.</param>
    /// <param name="width">The width in dp.</param>
    /// <param name="height">The height in dp.</param>
    /// <param name="look">How it is written; its lines are a comment.</param>
    /// <returns>The text of the file, or why there is none.</returns>
    public static (string? Text, VectorRefusal? Refusal) Of(Isolation isolation, Box crop, double width, double height, ShapesLook? look = null) =>
        Of(ExportTree.Of(isolation), crop, width, height, look ?? ShapesLook.Plain);

    /// <summary>Writes a layer of which some was changed on its way out, such as one whose texts became outlines.</summary>
    /// <param name="tree">The layer; it is used up.</param>
    /// <param name="crop">The rectangle to show, in drawing units.</param>
    /// <param name="width">The width in dp.</param>
    /// <param name="height">The height in dp.</param>
    /// <param name="look">How it is written; its lines are a comment.</param>
    /// <returns>The text of the file, or why there is none.</returns>
    public static (string? Text, VectorRefusal? Refusal) Of(ExportTree tree, Box crop, double width, double height, ShapesLook? look = null) =>
        Write(new ExportNode("svg").With(new ExportNode("defs").With(tree.Definitions), tree.Drawn), crop, width, height, look ?? ShapesLook.Plain);

    private static (string? Text, VectorRefusal? Refusal) Write(ExportNode root, Box crop, double width, double height, ShapesLook look)
    {
        new StylesAsAttributes().Apply(root, 3);
        new NoLeftovers().Apply(root, 3);
        var scale = new Matrix(width / crop.Width, 0, 0, height / crop.Height, -crop.X * width / crop.Width, -crop.Y * height / crop.Height);
        try
        {
            var body = new VectorBody(root).Write(scale);
            var (w, h) = (Numbers.Text(width, 3), Numbers.Text(height, 3));
            var text = new StringBuilder("<?xml version=\"1.0\" encoding=\"utf-8\"?>\n");
            if (look.Credit is { IsEmpty: false })
            {
                text.Append("<!-- ").Append(look.Credit.ToString().Replace("--", "–", StringComparison.Ordinal)).Append(" -->\n");
            }
            text.Append("<vector xmlns:android=\"http://schemas.android.com/apk/res/android\"");
            if (body.Contains("<aapt:", StringComparison.Ordinal))
            {
                text.Append("\n    xmlns:aapt=\"http://schemas.android.com/aapt\"");
            }
            text.Append(CultureInfo.InvariantCulture, $"\n    android:width=\"{w}dp\"\n    android:height=\"{h}dp\"\n    android:viewportWidth=\"{w}\"\n    android:viewportHeight=\"{h}\"");
            // Drawable resource reference: autoMirrored from API level 19, tint from 21, where the framework has the attribute.
            text.Append(look.Mirrors ? "\n    android:autoMirrored=\"true\"" : "").Append(look.TakesColour ? "\n    android:tint=\"?android:attr/colorControlNormal\"" : "").Append(">\n");
            if (look.Ground is { } ground)
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
