using System.Text;
using Kalypto.Core.Designs;
using static Kalypto.Core.Styling.Code.CodeText;

namespace Kalypto.Core.Styling.Code;

/// <summary>Values as Android's XML: a drawable for boxes, the attributes of a TextView for words.</summary>
public sealed class AndroidXmlCode : IValueCode
{
    private const string Space = "xmlns:android=\"http://schemas.android.com/apk/res/android\"";

    /// <inheritdoc/>
    public string Id => "android";

    /// <inheritdoc/>
    public string Name => "Android XML";

    /// <inheritdoc/>
    public string Write(LayerValues values, string name, ITokenNames tokens)
    {
        var code = new StringBuilder();
        foreach (var note in Notes(values))
        {
            code.Append("<!-- ").Append(note.Replace("--", "- -", StringComparison.Ordinal)).Append(" -->\n");
        }
        string Colour(Colour colour) => tokens.NameOf(colour) is { } token ? $"@color/{token.Replace('-', '_')}" : $"#{Argb(colour)}";
        if (values.Text is { } text)
        {
            Text(code, values, text, Colour);
            return code.ToString();
        }
        code.Append("<shape ").Append(Space).Append("\n    android:shape=\"").Append(IsOval(values) ? "oval" : "rectangle").Append("\">\n");
        void Line(string element) => code.Append("    <").Append(element).Append(" />\n");
        Line($"size android:width=\"{N(values.Box.Width)}dp\" android:height=\"{N(values.Box.Height)}dp\"");
        if (!values.Radii.AreNone && !IsOval(values))
        {
            var r = values.Radii;
            Line(r.AreOne ? $"corners android:radius=\"{N(r.UpperLeft)}dp\""
                : $"corners android:topLeftRadius=\"{N(r.UpperLeft)}dp\" android:topRightRadius=\"{N(r.UpperRight)}dp\" android:bottomLeftRadius=\"{N(r.LowerLeft)}dp\" android:bottomRightRadius=\"{N(r.LowerRight)}dp\"");
        }
        switch (values.Fill)
        {
            case SolidFill solid:
                Line($"solid android:color=\"{Colour(solid.Colour)}\"");
                break;
            case RadialFill radial:
                Line($"gradient android:type=\"radial\" android:centerX=\"{N(radial.X / values.Box.Width)}\" android:centerY=\"{N(radial.Y / values.Box.Height)}\" android:gradientRadius=\"{N(radial.Across)}dp\" {Colours(radial.Stops, Colour)}");
                break;
            case LinearFill linear:
                // Its angle counts against the clock from the right, in steps of 45°; its colours are three at the most.
                var angle = (90 - linear.Angle + 720) % 360;
                if (Math.Abs(angle / 45 - Math.Round(angle / 45)) > 0.01 || linear.Stops.Length > 3)
                {
                    code.Append("    <!-- A shape has angles in steps of 45° and three colours: ship this gradient as a vector, or draw it in code. -->\n");
                }
                // The place of the middle colour is whichever centre is not in the middle (android.graphics.drawable.GradientDrawable).
                var middle = linear.Stops.Length > 2 && linear.Stops[linear.Stops.Length / 2].At is var at && Math.Abs(at - 0.5) > 0.001 ? $"android:centerX=\"{N(at)}\" " : "";
                Line($"gradient android:angle=\"{N(Math.Round(angle / 45) * 45 % 360)}\" {middle}{Colours(linear.Stops, Colour)}");
                break;
        }
        if (values.Border is { Fill: SolidFill line } border)
        {
            Line($"stroke android:width=\"{N(border.Width)}dp\" android:color=\"{Colour(line.Colour)}\"{(border.Dashes.IsEmpty ? "" : $" android:dashWidth=\"{N(border.Dashes[0])}dp\" android:dashGap=\"{N(border.Dashes[^1])}dp\"")}");
        }
        code.Append("</shape>");
        if (!values.Shadows.IsEmpty)
        {
            code.Append("\n<!-- A shape has no shadow of its own: ").AppendJoin("; ", values.Shadows.Select(s => $"x {N(s.X)}dp, y {N(s.Y)}dp, blur {N(s.Blur)}dp, #{Argb(s.Colour)}")).Append(" -->");
        }
        if (values.Opacity < 1)
        {
            code.Append("\n<!-- On the view: android:alpha=\"").Append(N(values.Opacity)).Append("\" -->");
        }
        return code.ToString();
    }

    private static void Text(StringBuilder code, LayerValues values, TextValue text, Func<Colour, string> colour)
    {
        var type = text.Main.Type;
        code.Append("<TextView\n    android:layout_width=\"wrap_content\"\n    android:layout_height=\"wrap_content\"");
        void Line(string attribute, string value) => code.Append("\n    android:").Append(attribute).Append('=').Append(value);
        Line("text", Attribute(text.Words.Replace("\n", "\\n", StringComparison.Ordinal)));
        if (type.Family.Length > 0)
        {
            Line("fontFamily", $"\"@font/{string.Join('_', Naming.NameWords.Split(type.Family))}\"");
        }
        Line("textFontWeight", $"\"{type.Weight}\"");
        if (type.IsItalic)
        {
            Line("textStyle", "\"italic\"");
        }
        Line("textSize", $"\"{N(type.Size)}sp\"");
        if (type.LineHeight is { } height)
        {
            Line("lineHeight", $"\"{N(height)}sp\"");
        }
        if (type.LetterSpacing != 0)
        {
            // In em.
            Line("letterSpacing", $"\"{N(type.LetterSpacing / type.Size)}\"");
        }
        Line("textColor", $"\"{(text.Main.Fill is SolidFill solid ? colour(solid.Colour) : "#00000000")}\"");
        if (text.Anchor != "start")
        {
            Line("gravity", text.Anchor == "middle" ? "\"center_horizontal\"" : "\"end\"");
        }
        if (values.Opacity < 1)
        {
            Line("alpha", $"\"{N(values.Opacity)}\"");
        }
        code.Append(" />");
    }

    private static bool IsOval(LayerValues values) => values.Radii.AreOne && Math.Abs(values.Box.Width - values.Box.Height) < 0.01 && values.Radii.UpperLeft >= values.Box.Width / 2 - 0.01;

    private static string Colours(IReadOnlyList<GradientStop> stops, Func<Colour, string> colour) =>
        $"android:startColor=\"{colour(stops[0].Colour)}\" {(stops.Count > 2 ? $"android:centerColor=\"{colour(stops[stops.Count / 2].Colour)}\" " : "")}android:endColor=\"{colour(stops[^1].Colour)}\"";
}
