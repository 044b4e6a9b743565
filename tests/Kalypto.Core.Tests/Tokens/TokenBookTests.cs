using System.Text.Json;
using System.Xml.Linq;
using Kalypto.Core.Tagging;
using Kalypto.Core.Tokens;
using Kalypto.Core.Tokens.Code;

namespace Kalypto.Core.Tests.Tokens;

public class TokenBookTests
{
    private const string Screen = """
        <defs><filter id='lift'><feDropShadow dx='0' dy='6' stdDeviation='8' flood-color='#0a0f26' flood-opacity='.45'/></filter></defs>
        <g font-family='Figtree' fill='#f3e9d2'>
          <text id='title' x='10' y='40' font-size='30' font-weight='700'>Tonight</text><text id='title 2' x='10' y='640' font-size='30' font-weight='700'>Visits</text>
          <text id='lead' x='10' y='80' font-size='14'>Clear until two in the morning</text><text id='lead 2' x='10' y='680' font-size='14' fill='#f2e9d2'>Two places are left for you</text>
          <text id='note' x='10' y='90' font-size='12' fill='#c9cbe4'>small</text><text id='note 2' x='10' y='690' font-size='12' fill='#c9cbe4'>print</text>
        </g>
        <rect id='card' x='0' y='100' width='300' height='90' rx='14' fill='#fff' fill-opacity='.12' filter='url(#lift)'/><rect id='card 2' x='0' y='200' width='300' height='90' rx='14' fill='#fff' fill-opacity='.12' filter='url(#lift)'/>
        <rect id='pill' x='0' y='300' width='300' height='40' rx='20' fill='#123456'/><rect id='once' x='0' y='400' width='300' height='40' rx='3' fill='#abcdef'/><rect id='not in code' width='9' height='9' fill='#123456'/>
        """;

    private static readonly string[] InCode = ["title", "title 2", "lead", "lead 2", "note", "note 2", "card", "card 2", "pill", "once"];

    private static TokenBook Find(TokensSaid? said = null) => TokenBook.Of([Svg.Measure(Screen).State([.. InCode.Select(l => (l, "Code"))])], said ?? TokensSaid.None);

    private static string Names(TokenBook book, TokenKind kind) => string.Join(", ", book.Tokens.Where(t => t.Value.Kind == kind).Select(t => $"{t.Name} {t.Places.Length}"));

    [Fact]
    public void What_several_layers_share_is_found_once_and_nearly_equal_colours_are_one()
    {
        var book = Find();
        Assert.Equal("text-pale-yellow 4, text-light-blue 2, ground-white-12 2", Names(book, TokenKind.Colour));
        Assert.Equal("heading 2, body 2, small 2", Names(book, TokenKind.Type));
        Assert.Equal("radius 2", Names(book, TokenKind.Radius));
        Assert.Equal("shadow 2", Names(book, TokenKind.Shadow));
        // The colour that was put together with another has its name.
        Assert.Equal("text-pale-yellow", book.NameOf(new Core.Designs.Colour(0xf2, 0xe9, 0xd2, 1)));
        Assert.Null(book.NameOf(new Core.Designs.Colour(0xab, 0xcd, 0xef, 1)));
    }

    [Fact]
    public void People_name_merge_refuse_and_take_it_back()
    {
        var said = TokensSaid.None.Name("colour #f3e9d2", "Cream Paper").Merge("colour #c9cbe4", "colour #f3e9d2").Refuse("radius 14", true);
        var book = Find(said);
        Assert.Equal("cream-paper 6, ground-white-12 2", Names(book, TokenKind.Colour));
        Assert.Equal("", Names(book, TokenKind.Radius));
        Assert.Equal("radius 14", Assert.Single(book.Refused).Key);
        Assert.Equal(said, TokensSaid.Read(said.ToJson()), (a, b) => a!.ToJson() == b!.ToJson());
        Assert.Equal("text-pale-yellow 4, text-light-blue 2, ground-white-12 2", Names(Find(said.Part("colour #f3e9d2").Name("colour #f3e9d2", "").Refuse("radius 14", false)), TokenKind.Colour));
        // Two cannot stand for each other, and what is not understood says nothing.
        Assert.Equal("colour #f3e9d2", said.Merge("colour #f3e9d2", "colour #c9cbe4").End("colour #f3e9d2"));
        Assert.Equal("", TokensSaid.Read("{\"Names\":7}").ToJson());
        // A name that another has by itself is its own all the same.
        Assert.Equal("heading 2, body 2, small-2 2", Names(Find(TokensSaid.None.Name("colour #c9cbe4", "small")), TokenKind.Type));
        // So has one that would be the same word in code.
        Assert.Equal("body-1 4, body1-2 2, ground-white-12 2", Names(Find(TokensSaid.None.Name("colour #f3e9d2", "body 1").Name("colour #c9cbe4", "body1")), TokenKind.Colour));
    }

    [Fact]
    public void The_json_keeps_to_the_rules_of_the_community_format()
    {
        var files = TokenFiles.Of(["web", "apple", "android", "windows", "flutter"], Find(), CodeStyle.Usual).ToDictionary(f => f.Path, f => f.Text);
        Assert.Equal(7, files.Count);
        using var json = JsonDocument.Parse(files["web/tokens.json"]);
        foreach (var group in json.RootElement.EnumerateObject())
        {
            var type = group.Value.GetProperty("$type").GetString();
            Assert.Contains(type, new[] { "color", "dimension", "typography", "shadow", "border" });
            foreach (var token in group.Value.EnumerateObject().Where(t => t.Name[0] != '$'))
            {
                Assert.DoesNotContain(token.Name, c => c is '{' or '}' or '.');
                var value = token.Value.GetProperty("$value");
                switch (type)
                {
                    case "color":
                        Assert.Equal(("srgb", 3), (value.GetProperty("colorSpace").GetString(), value.GetProperty("components").GetArrayLength()));
                        Assert.All(value.GetProperty("components").EnumerateArray(), c => Assert.InRange(c.GetDouble(), 0, 1));
                        break;
                    case "dimension":
                        IsLength(value);
                        break;
                    case "typography":
                        IsLength(value.GetProperty("fontSize"));
                        IsLength(value.GetProperty("letterSpacing"));
                        Assert.InRange(value.GetProperty("fontWeight").GetInt32(), 1, 1000);
                        Assert.Equal(JsonValueKind.Number, value.GetProperty("lineHeight").ValueKind);
                        break;
                    case "shadow":
                        Assert.All(new[] { "offsetX", "offsetY", "blur", "spread" }, name => IsLength(value.GetProperty(name)));
                        break;
                }
            }
        }
        Assert.Contains("  --text-pale-yellow: #f3e9d2;\n", files["web/tokens.css"], StringComparison.Ordinal);
        Assert.Contains("  --body: 400 14px \"Figtree\";\n", files["web/tokens.css"], StringComparison.Ordinal);
        Assert.Contains("  --shadow: 0 6px 16px rgb(10 15 38 / 45%);\n", files["web/tokens.css"], StringComparison.Ordinal);
        Assert.Contains("public static let textPaleYellow = Color(red: 0.953, green: 0.914, blue: 0.824)", files["apple/Tokens.swift"], StringComparison.Ordinal);
        Assert.Contains("val TextPaleYellow = Color(0xFFF3E9D2)", files["android/Tokens.kt"], StringComparison.Ordinal);
        Assert.Contains("static const Color textPaleYellow = Color(0xFFF3E9D2);", files["flutter/lib/tokens.dart"], StringComparison.Ordinal);
        Assert.Equal("#FFF3E9D2", XDocument.Parse(files["android/res/values/tokens.xml"]).Descendants("color").First(c => (string?)c.Attribute("name") == "text_pale_yellow").Value);
        Assert.Equal(3, XDocument.Parse(files["windows/Tokens.xaml"]).Descendants().Count(e => e.Name.LocalName == "Color"));

        static void IsLength(JsonElement value) => Assert.Equal((JsonValueKind.Number, "px"), (value.GetProperty("value").ValueKind, value.GetProperty("unit").GetString()));
    }

    [Fact]
    public void Nothing_in_code_is_no_tokens_and_no_files() => Assert.Empty(TokenFiles.Of(["web"], TokenBook.Of([Svg.Measure(Screen).State()], TokensSaid.None), CodeStyle.Usual));
}
