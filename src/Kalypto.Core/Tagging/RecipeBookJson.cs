using System.Collections.Immutable;
using System.Text.Encodings.Web;
using System.Text.Json;
using System.Text.Json.Nodes;
using Kalypto.Core.Formats;

namespace Kalypto.Core.Tagging;

/// <summary>Writes and reads recipes as JSON, to keep them and to take them to another project (docs/recipes.md).</summary>
public static class RecipeBookJson
{
    private const int MostText = 200_000;
    private const int MostKinds = 100;
    private static readonly JsonSerializerOptions Indented = new() { WriteIndented = true, NewLine = "\n", Encoder = JavaScriptEncoder.UnsafeRelaxedJsonEscaping };

    /// <summary>The recipes that differ from those that come with Kalypto. Equal books give equal texts.</summary>
    public static string Write(RecipeBook book) => Text(book, book.Own.Values);

    /// <summary>All recipes, those that come with Kalypto too, for a file.</summary>
    public static string WriteAll(RecipeBook book) => Text(book, book.AllKinds.Select(book.For));

    /// <summary>Reads recipes.</summary>
    /// <exception cref="FormatException">The text is no recipes; the message says what is wrong and where.</exception>
    public static RecipeBook Read(string text)
    {
        if (text.Length == 0)
        {
            return RecipeBook.Usual;
        }
        if (text.Length > MostText)
        {
            throw new FormatException("The file is too large for recipes.");
        }
        JsonNode? json;
        try
        {
            json = JsonNode.Parse(text, documentOptions: new() { MaxDepth = 8 });
        }
        catch (JsonException e)
        {
            throw new FormatException($"The file is not JSON: line {e.LineNumber + 1}, byte {e.BytePositionInLine + 1}.", e);
        }
        try
        {
            return json is JsonObject root ? ReadBook(root) : throw new FormatException("The file does not hold recipes.");
        }
        catch (Exception e) when (e is InvalidOperationException or ArgumentException)
        {
            throw new FormatException("The file does not hold recipes: a value is of another sort than it should be.", e);
        }
    }

    private static RecipeBook ReadBook(JsonObject root)
    {
        if (root["kalypto-recipes"]?.GetValue<int>() != 1)
        {
            throw new FormatException("The file does not say “kalypto-recipes”: 1, so it holds no recipes that Kalypto can read.");
        }
        var kinds = root["kinds"] as JsonObject ?? [];
        if (kinds.Count > MostKinds)
        {
            throw new FormatException($"The file holds {kinds.Count} kinds; {MostKinds} are the most.");
        }
        var book = RecipeBook.Usual;
        foreach (var (kind, value) in kinds)
        {
            if (!Kinds.All.Contains(kind) && !Kinds.MayName(kind))
            {
                throw new FormatException($"“{kind}” cannot be a kind: small letters, digits and dashes, and no other tag.");
            }
            var recipe = value as JsonObject ?? throw new FormatException($"The recipe for “{kind}” is no object.");
            book = book.With(new(kind, TagsAt(recipe, "all", $"“{kind}”"),
                (recipe["platforms"] as JsonObject ?? []).ToImmutableSortedDictionary(p => p.Key, p => TagsAt((JsonObject)p.Value!.Parent!, p.Key, $"“{kind}” on {p.Key}"), StringComparer.Ordinal)));
        }
        return book with
        {
            All = TagsAt(root, "all", "every kind"),
            Credit = new(LineAt(root, "copyright"), LineAt(root, "author"), LineAt(root, "contact")),
            Budget = WeightAt(root, "budget"),
            KindBudgets = (root["budgets"] as JsonObject ?? []).Where(b => book.AllKinds.Contains(b.Key))
                .ToImmutableSortedDictionary(b => b.Key, b => WeightAt((JsonObject)b.Value!.Parent!, b.Key) ?? 0, StringComparer.Ordinal),
            Layout = root["folders"] is JsonObject layout ? new(
                layout["byScale"]?.GetValue<bool>() ?? false, layout["byFormat"]?.GetValue<bool>() ?? false,
                layout["suffix"]?.GetValue<string>() is { } suffix && FolderLayout.IsSuffix(suffix) ? suffix : FolderLayout.Usual.ScaleSuffix) : FolderLayout.Usual,
            DrawingDecides = root["drawingDecides"]?.GetValue<bool>() ?? true,
            Code = root["code"] is JsonObject code ? CodeAt(code) : CodeStyle.Usual,
        };
    }

    private static CodeStyle CodeAt(JsonObject from)
    {
        var usual = CodeStyle.Usual;
        var code = new CodeStyle(from["class"]?.GetValue<string>() ?? usual.ClassName, from["kotlinPackage"]?.GetValue<string>() ?? usual.KotlinPackage,
            from["namespace"]?.GetValue<string>() ?? usual.Namespace, from["wpf"]?.GetValue<bool>() ?? false);
        return code.Mistake is { } mistake ? throw new FormatException(mistake) : code;
    }

    private static Tags TagsAt(JsonObject from, string name, string where)
    {
        var line = TagLine.Parse(from[name]?.GetValue<string>() ?? "", []);
        return line.Mistakes.IsEmpty ? line.ApplyTo(Tags.Empty) : throw new FormatException($"In the recipe for {where}: {line.Mistakes[0].Sentence}");
    }

    private static string LineAt(JsonObject from, string name)
    {
        var line = from[name]?.GetValue<string>() ?? "";
        return line.Length <= CreditLines.Longest && !line.Any(char.IsControl) ? line : throw new FormatException($"The {name} line is longer than {CreditLines.Longest} characters or not one line.");
    }

    private static long? WeightAt(JsonObject from, string name) => from[name]?.GetValue<long>() is not { } weight ? null
        : weight is > 0 and < 1_000_000_000_000 ? weight : throw new FormatException($"The budget of {weight} bytes makes no sense.");

    private static string Text(RecipeBook book, IEnumerable<Recipe> recipes)
    {
        var root = new JsonObject { ["kalypto-recipes"] = 1 };
        Add(root, "all", book.All.ToString());
        Add(root, "copyright", book.Credit.Copyright);
        Add(root, "author", book.Credit.Author);
        Add(root, "contact", book.Credit.Contact);
        if (book.Budget is { } budget)
        {
            root["budget"] = budget;
        }
        if (book.KindBudgets.Count > 0)
        {
            root["budgets"] = new JsonObject(book.KindBudgets.Select(b => KeyValuePair.Create<string, JsonNode?>(b.Key, b.Value)));
        }
        if (book.Layout != FolderLayout.Usual)
        {
            root["folders"] = new JsonObject { ["byScale"] = book.Layout.ByScale, ["byFormat"] = book.Layout.ByFormat, ["suffix"] = book.Layout.ScaleSuffix };
        }
        if (!book.DrawingDecides)
        {
            root["drawingDecides"] = false;
        }
        if (book.Code != CodeStyle.Usual)
        {
            root["code"] = new JsonObject { ["class"] = book.Code.ClassName, ["kotlinPackage"] = book.Code.KotlinPackage, ["namespace"] = book.Code.Namespace, ["wpf"] = book.Code.IsWpf };
        }
        root["kinds"] = new JsonObject(recipes.Select(r => KeyValuePair.Create<string, JsonNode?>(r.Kind, OfRecipe(r))));
        return root.ToJsonString(Indented) + "\n";
    }

    private static JsonObject OfRecipe(Recipe recipe)
    {
        var json = new JsonObject { ["all"] = recipe.Base.ToString() };
        if (recipe.For.Count > 0)
        {
            json["platforms"] = new JsonObject(recipe.For.Select(p => KeyValuePair.Create<string, JsonNode?>(p.Key, p.Value.ToString())));
        }
        return json;
    }

    private static void Add(JsonObject json, string name, string value)
    {
        if (value.Length > 0)
        {
            json[name] = value;
        }
    }
}
