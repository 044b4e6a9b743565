using System.Text;
using Kalypto.Core.Designs;
using static Kalypto.Core.Styling.Code.CodeText;

namespace Kalypto.Core.Styling.Code;

/// <summary>Values as Jetpack Compose.</summary>
public sealed class ComposeCode : IValueCode
{
    /// <inheritdoc/>
    public string Id => "compose";

    /// <inheritdoc/>
    public string Name => "Compose";

    /// <inheritdoc/>
    public string Write(LayerValues values, string name, ITokenNames tokens)
    {
        var code = new StringBuilder();
        foreach (var note in Notes(values))
        {
            code.Append("// ").Append(note).Append('\n');
        }
        string Colour(Colour colour) => tokens.NameOf(colour) is { } token ? $"Tokens.{PascalMember(token)}" : Of(colour);
        if (values.Text is { } text)
        {
            var type = text.Main.Type;
            var set = tokens.NameOf(type) is { } named ? $"Tokens.{PascalMember(named)}.copy(" : "TextStyle(";
            code.Append("Text(\n    text = ").Append(Quoted(text.Words, '$')).Append(",\n    style = ").Append(set);
            var parts = new List<string>();
            if (tokens.NameOf(type) is null)
            {
                // As a resource, as the tokens have families of their own styles alone.
                parts.AddRange(Parts(type, $"FontFamily(Font(R.font.{string.Join('_', Naming.NameWords.Split(type.Family))}))"));
            }
            parts.Add(text.Main.Fill is null ? "color = Color.Transparent" : text.Main.Fill is SolidFill solid ? $"color = {Colour(solid.Colour)}" : $"brush = {Brush(text.Main.Fill, values.Box, Colour)}");
            if (text.Anchor != "start")
            {
                parts.Add($"textAlign = TextAlign.{(text.Anchor == "middle" ? "Center" : "End")}");
            }
            if (values.Shadows.FirstOrDefault() is { Colour.Alpha: > 0 } shadow)
            {
                parts.Add($"shadow = Shadow({Colour(shadow.Colour)}, Offset({N(shadow.X)}f, {N(shadow.Y)}f), {N(shadow.Blur)}f)");
            }
            code.Append("\n        ").AppendJoin(",\n        ", parts).Append(",\n    ),\n");
            Modifiers(code, Common(values), "    modifier = ");
            return code.Append(')').ToString();
        }
        var (shape, list) = (Shape(values, tokens), new List<string>());
        list.Add($"size({N(values.Box.Width)}.dp, {N(values.Box.Height)}.dp)");
        list.AddRange(Common(values));
        list.AddRange(values.Shadows.Where(s => !s.IsInside).Select(s => $"dropShadow({shape}, Shadow(radius = {N(s.Blur)}.dp, spread = {N(s.Spread)}.dp, color = {Colour(s.Colour)}, offset = DpOffset({N(s.X)}.dp, {N(s.Y)}.dp)))"));
        if (values.Fill is { } fill)
        {
            list.Add($"background({(fill is SolidFill one ? Colour(one.Colour) : Brush(fill, values.Box, Colour))}{(shape == "RectangleShape" ? "" : ", " + shape)})");
        }
        list.AddRange(values.Shadows.Where(s => s.IsInside).Select(s => $"innerShadow({shape}, Shadow(radius = {N(s.Blur)}.dp, spread = {N(s.Spread)}.dp, color = {Colour(s.Colour)}, offset = DpOffset({N(s.X)}.dp, {N(s.Y)}.dp)))"));
        if (values.Border is { } border)
        {
            list.Add($"border({N(border.Width)}.dp, {(border.Fill is SolidFill line ? Colour(line.Colour) : Brush(border.Fill, values.Box, Colour))}{(shape == "RectangleShape" ? "" : ", " + shape)})");
        }
        code.Append("Box(\n");
        Modifiers(code, list, "    ");
        return code.Append(')').ToString();
    }

    /// <summary>A colour.</summary>
    internal static string Of(Colour colour) => $"Color(0x{Argb(colour)})";

    /// <summary>What is said of a way of setting words.</summary>
    /// <param name="type">The way.</param>
    /// <param name="family">The font family as an expression; null for the one of that name among the tokens.</param>
    internal static IEnumerable<string> Parts(TypeStyle type, string? family = null)
    {
        if (type.Family.Length > 0)
        {
            yield return $"fontFamily = {family ?? Member(type.Family)}";
        }
        yield return $"fontWeight = FontWeight({type.Weight})";
        if (type.IsItalic)
        {
            yield return "fontStyle = FontStyle.Italic";
        }
        yield return $"fontSize = {N(type.Size)}.sp";
        if (type.LineHeight is { } height)
        {
            yield return $"lineHeight = {N(height)}.sp";
        }
        if (type.LetterSpacing != 0)
        {
            yield return $"letterSpacing = {N(type.LetterSpacing)}.sp";
        }
        if (type.Decoration is "underline" or "line-through")
        {
            yield return $"textDecoration = TextDecoration.{(type.Decoration == "underline" ? "Underline" : "LineThrough")}";
        }
    }

    private static void Modifiers(StringBuilder code, IReadOnlyCollection<string> modifiers, string before)
    {
        if (modifiers.Count > 0)
        {
            code.Append(before).Append("Modifier").Append(string.Concat(modifiers.Select(m => $"\n        .{m}"))).Append(",\n");
        }
    }

    private static List<string> Common(LayerValues values)
    {
        var list = new List<string>();
        if (values.Opacity < 1)
        {
            list.Add($"alpha({N(values.Opacity)}f)");
        }
        if (values.Turn != 0)
        {
            list.Add($"rotate({N(values.Turn)}f)");
        }
        if (values.Blur > 0)
        {
            // Its radius is twice the standard deviation.
            list.Add($"blur({N(values.Blur * 2)}.dp, BlurredEdgeTreatment.Unbounded)");
        }
        return list;
    }

    private static string Shape(LayerValues values, ITokenNames tokens)
    {
        var r = values.Radii;
        return r.AreNone ? "RectangleShape"
            : r.AreOne && r.UpperLeft >= Math.Min(values.Box.Width, values.Box.Height) / 2 - 0.01 ? "CircleShape"
            : r.AreOne ? $"RoundedCornerShape({(tokens.NameOf(r) is { } token ? $"Tokens.{PascalMember(token)}" : $"{N(r.UpperLeft)}.dp")})"
            : $"RoundedCornerShape({N(r.UpperLeft)}.dp, {N(r.UpperRight)}.dp, {N(r.LowerRight)}.dp, {N(r.LowerLeft)}.dp)";
    }

    // Gradients are drawn in px, which a modifier knows nothing of: their places are shares of the size that they are drawn at.
    private static string Brush(Fill fill, Box box, Func<Colour, string> colour)
    {
        string Stops(IEnumerable<GradientStop> stops) => string.Join(", ", stops.Select(s => $"{N(s.At)}f to {colour(s.Colour)}"));
        string Lists(IReadOnlyList<GradientStop> stops) => $"listOf({string.Join(", ", stops.Select(s => colour(s.Colour)))}), listOf({string.Join(", ", stops.Select(s => $"{N(s.At)}f"))})";
        string At(double x, double y) => $"Offset(size.width * {N(x)}f, size.height * {N(y)}f)";
        string Shader(string shader) => $"object : ShaderBrush() {{ override fun createShader(size: Size) = {shader} }}";
        if (fill is RadialFill radial)
        {
            return Shader($"RadialGradientShader({At(radial.X / box.Width, radial.Y / box.Height)}, size.width * {N(radial.Across / box.Width)}f, {Lists(radial.Stops)})");
        }
        if (fill is SolidFill solid)
        {
            return $"SolidColor({colour(solid.Colour)})";
        }
        var line = GradientLine.Of((LinearFill)fill, box);
        return line is { FromX: var x, ToX: var tx, FromY: 0, ToY: 1 } && Math.Abs(x - tx) < 0.001 ? $"Brush.verticalGradient({Stops(line.Stops)})"
            : line is { FromY: var y, ToY: var ty, FromX: 0, ToX: 1 } && Math.Abs(y - ty) < 0.001 ? $"Brush.horizontalGradient({Stops(line.Stops)})"
            : Shader($"LinearGradientShader({At(line.FromX, line.FromY)}, {At(line.ToX, line.ToY)}, {Lists(line.Stops)})");
    }
}
