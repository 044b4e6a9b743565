using System.Text;
using Kalypto.Core.Designs;
using static Kalypto.Core.Styling.Code.CodeText;

namespace Kalypto.Core.Styling.Code;

/// <summary>Values as XAML.</summary>
public sealed class XamlCode : IValueCode
{
    /// <inheritdoc/>
    public string Id => "xaml";

    /// <inheritdoc/>
    public string Name => "XAML";

    /// <inheritdoc/>
    public string Write(LayerValues values, string name, ITokenNames tokens)
    {
        var code = new StringBuilder();
        foreach (var note in Notes(values))
        {
            code.Append("<!-- ").Append(note.Replace("--", "- -", StringComparison.Ordinal)).Append(" -->\n");
        }
        string Colour(Colour colour) => tokens.NameOf(colour) is { } token ? $"{{StaticResource {Pascal(token)}Brush}}" : $"#{Argb(colour)}";
        var (attributes, children) = (new List<string>(), new List<string>());
        var element = values.Text is null ? "Border" : "TextBlock";
        void Add(string attribute, string value) => attributes.Add($"{attribute}=\"{value}\"");
        void Paint(string attribute, Fill? fill)
        {
            if (fill is SolidFill solid)
            {
                Add(attribute, Colour(solid.Colour));
            }
            else if (fill is not null)
            {
                children.Add($"<{element}.{attribute}>\n        {Brush(fill, values.Box)}\n    </{element}.{attribute}>");
            }
        }
        if (values.Text is { } text)
        {
            var type = text.Main.Type;
            attributes.Add($"Text={Attribute(text.Words)}");
            if (type.Family.Length > 0)
            {
                attributes.Add($"FontFamily={Attribute(type.Family)}");
            }
            Add("FontSize", N(type.Size));
            Add("FontWeight", WeightOf(type.Weight));
            if (type.IsItalic)
            {
                Add("FontStyle", "Italic");
            }
            if (type.LineHeight is { } height)
            {
                Add("LineHeight", N(height));
            }
            if (type.LetterSpacing != 0)
            {
                // In thousandths of an em.
                Add("CharacterSpacing", N(Math.Round(type.LetterSpacing / type.Size * 1000)));
            }
            if (text.Anchor != "start")
            {
                Add("TextAlignment", text.Anchor == "middle" ? "Center" : "Right");
            }
            Paint("Foreground", text.Main.Fill);
        }
        else
        {
            Add("Width", N(values.Box.Width));
            Add("Height", N(values.Box.Height));
            if (!values.Radii.AreNone)
            {
                var r = values.Radii;
                Add("CornerRadius", tokens.NameOf(r) is { } token ? $"{{StaticResource {Pascal(token)}}}" : r.AreOne ? N(r.UpperLeft) : $"{N(r.UpperLeft)},{N(r.UpperRight)},{N(r.LowerRight)},{N(r.LowerLeft)}");
            }
            Paint("Background", values.Fill);
            if (values.Border is { } border)
            {
                Add("BorderThickness", N(border.Width));
                Paint("BorderBrush", border.Fill);
            }
        }
        if (values.Opacity < 1)
        {
            Add("Opacity", N(values.Opacity));
        }
        if (values.Turn != 0)
        {
            Add("RenderTransformOrigin", "0.5,0.5");
            children.Add($"<{element}.RenderTransform>\n        <RotateTransform Angle=\"{N(values.Turn)}\" />\n    </{element}.RenderTransform>");
        }
        if (values.Shadows.FirstOrDefault(s => !s.IsInside) is { Colour.Alpha: > 0 } shadow)
        {
            // Its direction counts against the clock from the right. WinUI has no shadow of free values.
            var direction = (Math.Atan2(-shadow.Y, shadow.X) * 180 / Math.PI + 360) % 360;
            children.Add($"<!-- WPF -->\n    <{element}.Effect>\n        <DropShadowEffect BlurRadius=\"{N(shadow.Blur)}\" ShadowDepth=\"{N(Math.Sqrt(shadow.X * shadow.X + shadow.Y * shadow.Y))}\" Direction=\"{N(Math.Round(direction, 2))}\" Opacity=\"{N(shadow.Colour.Alpha)}\" Color=\"#{Argb(shadow.Colour with { Alpha = 1 })}\" />\n    </{element}.Effect>");
        }
        code.Append('<').Append(element).Append("\n    ").AppendJoin("\n    ", attributes);
        return children.Count == 0 ? code.Append(" />").ToString() : code.Append(">\n    ").AppendJoin("\n    ", children).Append("\n</").Append(element).Append('>').ToString();
    }

    /// <summary>The word for a weight.</summary>
    internal static string WeightOf(int weight) => weight switch { <= 150 => "Thin", <= 250 => "ExtraLight", <= 350 => "Light", <= 450 => "Normal", <= 550 => "Medium", <= 650 => "SemiBold", <= 750 => "Bold", <= 850 => "ExtraBold", _ => "Black" };

    private static string Brush(Fill fill, Box box)
    {
        string Stops(IEnumerable<GradientStop> stops) => string.Concat(stops.Select(s => $"\n            <GradientStop Offset=\"{N(s.At)}\" Color=\"#{Argb(s.Colour)}\" />"));
        if (fill is RadialFill radial)
        {
            var (x, y) = (N(radial.X / box.Width), N(radial.Y / box.Height));
            return $"<RadialGradientBrush Center=\"{x},{y}\" GradientOrigin=\"{x},{y}\" RadiusX=\"{N(radial.Across / box.Width)}\" RadiusY=\"{N(radial.Down / box.Height)}\">{Stops(radial.Stops)}\n        </RadialGradientBrush>";
        }
        var line = GradientLine.Of((LinearFill)fill, box);
        return $"<LinearGradientBrush StartPoint=\"{N(line.FromX)},{N(line.FromY)}\" EndPoint=\"{N(line.ToX)},{N(line.ToY)}\">{Stops(line.Stops)}\n        </LinearGradientBrush>";
    }
}
