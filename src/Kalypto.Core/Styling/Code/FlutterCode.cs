using System.Text;
using Kalypto.Core.Designs;
using static Kalypto.Core.Styling.Code.CodeText;

namespace Kalypto.Core.Styling.Code;

/// <summary>Values as Flutter.</summary>
public sealed class FlutterCode : IValueCode
{
    /// <inheritdoc/>
    public string Id => "flutter";

    /// <inheritdoc/>
    public string Name => "Flutter";

    /// <inheritdoc/>
    public string Write(LayerValues values, string name, ITokenNames tokens)
    {
        var code = new StringBuilder();
        foreach (var note in Notes(values))
        {
            code.Append("// ").Append(note).Append('\n');
        }
        string Colour(Colour colour) => tokens.NameOf(colour) is { } token ? $"Tokens.{Member(token)}" : Of(colour);
        var widget = values.Text is { } text ? Words(values, text, tokens, Colour) : Container(values, tokens, Colour);
        code.Append(values.Opacity < 1 ? $"Opacity(\n  opacity: {N(values.Opacity)},\n  child: {widget.Replace("\n", "\n  ", StringComparison.Ordinal)},\n)" : widget);
        return code.ToString();
    }

    /// <summary>A colour.</summary>
    internal static string Of(Colour colour) => $"Color(0x{Argb(colour)})";

    /// <summary>What is said of a way of setting words.</summary>
    internal static IEnumerable<string> Parts(TypeStyle type)
    {
        if (type.Family.Length > 0)
        {
            yield return $"fontFamily: '{type.Family.Replace("'", "\\'", StringComparison.Ordinal)}'";
        }
        yield return $"fontWeight: FontWeight.w{Math.Clamp((int)Math.Round(type.Weight / 100.0), 1, 9) * 100}";
        if (type.IsItalic)
        {
            yield return "fontStyle: FontStyle.italic";
        }
        yield return $"fontSize: {N(type.Size)}";
        if (type.LineHeight is { } height)
        {
            // As a multiple of the size.
            yield return $"height: {N(height / type.Size)}";
        }
        if (type.LetterSpacing != 0)
        {
            yield return $"letterSpacing: {N(type.LetterSpacing)}";
        }
        if (type.Decoration is "underline" or "line-through")
        {
            yield return $"decoration: TextDecoration.{(type.Decoration == "underline" ? "underline" : "lineThrough")}";
        }
    }

    /// <summary>A shadow. Its radius r stands for a standard deviation of 0.57735 r + 0.5 (dart:ui, Shadow.convertRadiusToSigma).</summary>
    internal static string Of(Shadow shadow, Func<Colour, string> colour, bool isOfBox)
    {
        var radius = Math.Max(0, Math.Round((shadow.Blur / 2 - 0.5) / 0.57735, 2));
        return $"{(isOfBox ? "BoxShadow" : "Shadow")}(color: {colour(shadow.Colour)}, offset: Offset({N(shadow.X)}, {N(shadow.Y)}), blurRadius: {N(radius)}{(isOfBox && shadow.Spread != 0 ? $", spreadRadius: {N(shadow.Spread)}" : "")})";
    }

    private static string Words(LayerValues values, TextValue text, ITokenNames tokens, Func<Colour, string> colour)
    {
        var type = text.Main.Type;
        var parts = new List<string>();
        if (tokens.NameOf(type) is null)
        {
            parts.AddRange(Parts(type));
        }
        parts.Add(text.Main.Fill is SolidFill solid ? $"color: {colour(solid.Colour)}" : text.Main.Fill is { } fill ? $"foreground: Paint()..shader = {Gradient(fill, values, colour)}.createShader(const Rect.fromLTWH(0, 0, {N(values.Box.Width)}, {N(values.Box.Height)}))" : "color: Color(0x00000000)");
        if (!values.Shadows.IsEmpty)
        {
            parts.Add($"shadows: [{string.Join(", ", values.Shadows.Select(s => Of(s, colour, isOfBox: false)))}]");
        }
        var style = tokens.NameOf(type) is { } named ? $"Tokens.{Member(named)}.copyWith" : "TextStyle";
        return $"Text(\n  {Quoted(text.Words, '$')},\n{(text.Anchor == "start" ? "" : $"  textAlign: TextAlign.{(text.Anchor == "middle" ? "center" : "end")},\n")}  style: {style}(\n    {string.Join(",\n    ", parts)},\n  ),\n)";
    }

    private static string Container(LayerValues values, ITokenNames tokens, Func<Colour, string> colour)
    {
        var parts = new List<string>();
        if (values.Fill is SolidFill solid)
        {
            parts.Add($"color: {colour(solid.Colour)}");
        }
        else if (values.Fill is { } fill)
        {
            parts.Add($"gradient: {Gradient(fill, values, colour)}");
        }
        var r = values.Radii;
        if (!r.AreNone)
        {
            string Corner(double radius) => $"Radius.circular({N(radius)})";
            parts.Add($"borderRadius: {(r.AreOne ? $"BorderRadius.circular({(tokens.NameOf(r) is { } token ? $"Tokens.{Member(token)}" : N(r.UpperLeft))})"
                : $"BorderRadius.only(topLeft: {Corner(r.UpperLeft)}, topRight: {Corner(r.UpperRight)}, bottomRight: {Corner(r.LowerRight)}, bottomLeft: {Corner(r.LowerLeft)})")}");
        }
        if (values.Border is { Fill: SolidFill line } border)
        {
            parts.Add($"border: Border.all(color: {colour(line.Colour)}, width: {N(border.Width)})");
        }
        if (values.Shadows.Where(s => !s.IsInside).ToList() is { Count: > 0 } shadows)
        {
            parts.Add($"boxShadow: {(tokens.NameOf(values.Shadows) is { } token ? $"Tokens.{Member(token)}" : $"[{string.Join(", ", shadows.Select(s => Of(s, colour, isOfBox: true)))}]")}");
        }
        if (values.Blend is { } blend)
        {
            parts.Add($"backgroundBlendMode: BlendMode.{Camel(blend)}");
        }
        var decoration = parts.Count == 0 ? "" : $"  decoration: BoxDecoration(\n    {string.Join(",\n    ", parts)},\n  ),\n";
        var turn = values.Turn == 0 ? "" : $"  transformAlignment: Alignment.center,\n  transform: Matrix4.rotationZ({N(values.Turn)} * math.pi / 180),\n";
        return $"Container(\n  width: {N(values.Box.Width)},\n  height: {N(values.Box.Height)},\n{turn}{decoration})";
    }

    // Places of a box count from its middle: -1 to 1.
    private static string Gradient(Fill fill, LayerValues values, Func<Colour, string> colour)
    {
        string Stops(IReadOnlyList<GradientStop> stops) => $"colors: [{string.Join(", ", stops.Select(s => colour(s.Colour)))}], stops: [{string.Join(", ", stops.Select(s => N(s.At)))}]";
        string At(double x, double y) => $"Alignment({N(x * 2 - 1)}, {N(y * 2 - 1)})";
        if (fill is RadialFill radial)
        {
            // Its radius is a share of the shorter side.
            return $"RadialGradient(center: {At(radial.X / values.Box.Width, radial.Y / values.Box.Height)}, radius: {N(radial.Across / Math.Min(values.Box.Width, values.Box.Height))}, {Stops(radial.Stops)})";
        }
        var line = GradientLine.Of((LinearFill)fill, values.Box);
        return $"LinearGradient(begin: {At(line.FromX, line.FromY)}, end: {At(line.ToX, line.ToY)}, {Stops(line.Stops)})";
    }
}
