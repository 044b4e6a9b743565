using System.Text.Encodings.Web;
using System.Text.Json;
using System.Text.Json.Nodes;
using Kalypto.Core.Designs;
using Kalypto.Core.Fonts;
using Kalypto.Core.Styling;
using Kalypto.Core.Tagging;

namespace Kalypto.Core.Tokens.Code;

/// <summary>Tokens in the format of the W3C Design Tokens Community Group (Format Module 2025.10), for every tool that reads it.</summary>
internal sealed class TokenJson : ITokenWriter
{
    private static readonly JsonSerializerOptions Indented = new() { WriteIndented = true, NewLine = "\n", Encoder = JavaScriptEncoder.UnsafeRelaxedJsonEscaping };

    public string Platform => "web";

    public string Path => "web/tokens.json";

    public string Write(IReadOnlyList<Token> tokens, CodeStyle code)
    {
        var root = new JsonObject();
        foreach (var kind in tokens.GroupBy(t => t.Value.Kind))
        {
            var (group, type) = kind.Key switch
            {
                TokenKind.Colour => ("color", "color"),
                TokenKind.Type => ("type", "typography"),
                TokenKind.Radius => ("radius", "dimension"),
                TokenKind.Shadow => ("shadow", "shadow"),
                TokenKind.Border => ("border", "border"),
                _ => ("space", "dimension"),
            };
            var all = new JsonObject { ["$type"] = type };
            foreach (var token in kind)
            {
                all[token.Name] = new JsonObject { ["$value"] = Value(token.Value), ["$description"] = $"{string.Join(", ", token.Uses)}; {token.Places.Length} places" };
            }
            root[group] = all;
        }
        return root.ToJsonString(Indented) + "\n";
    }

    private static JsonNode Value(TokenValue value) => value.Kind switch
    {
        TokenKind.Colour => Of(value.Colour),
        TokenKind.Type => Of(value.Type!),
        TokenKind.Shadow => value.Shadows.Length == 1 ? Of(value.Shadows[0]) : new JsonArray([.. value.Shadows.Select(s => (JsonNode)Of(s))]),
        TokenKind.Border => new JsonObject { ["color"] = Of(((SolidFill)value.Border!.Fill).Colour), ["width"] = Px(value.Border.Width), ["style"] = value.Border.Dashes.IsEmpty ? "solid" : "dashed" },
        _ => Px(value.Length),
    };

    private static JsonObject Of(Colour colour)
    {
        static double Part(int channel) => Math.Round(channel / 255.0, 4);
        return new() { ["colorSpace"] = "srgb", ["components"] = new JsonArray(Part(colour.Red), Part(colour.Green), Part(colour.Blue)), ["alpha"] = Math.Round(colour.Alpha, 4), ["hex"] = colour.ToHex() };
    }

    private static JsonObject Of(TypeStyle type) => new()
    {
        ["fontFamily"] = new JsonArray([.. FamilyList.Of(type.Families.Length == 0 ? "sans-serif" : type.Families).Select(f => (JsonNode)f)]),
        ["fontSize"] = Px(type.Size),
        ["fontWeight"] = type.Weight,
        ["letterSpacing"] = Px(type.LetterSpacing),
        // A multiple of the size; what a line of its font comes to is about 1.2.
        ["lineHeight"] = Math.Round((type.LineHeight ?? type.Size * 1.2) / type.Size, 4),
    };

    private static JsonObject Of(Shadow shadow)
    {
        var made = new JsonObject { ["color"] = Of(shadow.Colour), ["offsetX"] = Px(shadow.X), ["offsetY"] = Px(shadow.Y), ["blur"] = Px(shadow.Blur), ["spread"] = Px(shadow.Spread) };
        if (shadow.IsInside)
        {
            made["inset"] = true;
        }
        return made;
    }

    private static JsonObject Px(double length) => new() { ["value"] = Math.Round(length, 4) + 0.0, ["unit"] = "px" };
}
