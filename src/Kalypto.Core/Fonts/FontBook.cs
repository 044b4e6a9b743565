using System.Collections.Immutable;
using System.Text.Json;

namespace Kalypto.Core.Fonts;

/// <summary>The fonts that a project has of its own, beside those that come with Kalypto.</summary>
public sealed class FontBook
{
    private string? json;

    private FontBook(ImmutableArray<Font> fonts)
    {
        Fonts = fonts;
        Key = string.Join(' ', fonts.Select(f => f.Sha256));
    }

    /// <summary>No fonts.</summary>
    public static FontBook Empty { get; } = new([]);

    /// <summary>The fonts by family, then weight.</summary>
    public ImmutableArray<Font> Fonts { get; }

    /// <summary>Equal for books that draw alike; empty for none.</summary>
    public string Key { get; }

    /// <summary>A book of some fonts, each once.</summary>
    public static FontBook Of(IEnumerable<Font> fonts)
    {
        ImmutableArray<Font> all = [.. fonts.DistinctBy(f => (f.Sha256, f.Design))
            .OrderBy(f => f.Family, StringComparer.OrdinalIgnoreCase).ThenBy(f => f.IsItalic).ThenBy(f => f.Lightest).ThenBy(f => f.Sha256, StringComparer.Ordinal).ThenBy(f => f.Design)];
        return all.IsEmpty ? Empty : new(all);
    }

    /// <summary>The fonts that draw a design: those of the project, and those found in its own drawing.</summary>
    public FontBook OfDesign(int design) => Fonts.All(f => f.Design is null) ? this : Of(Fonts.Where(f => f.Design is null || f.Design == design));

    /// <summary>Those that lists of families ask for, as CSS writes them.</summary>
    public FontBook For(IEnumerable<string> families)
    {
        if (Fonts.IsEmpty)
        {
            return this;
        }
        var names = families.SelectMany(FamilyList.Of).Distinct(StringComparer.OrdinalIgnoreCase).ToList();
        return Fonts.All(f => names.Exists(f.Answers)) ? this : Of(Fonts.Where(f => names.Exists(f.Answers)));
    }

    /// <summary>True when a font answers to a name.</summary>
    public bool Has(string name) => Fonts.Any(f => f.Answers(name));

    /// <summary>The family drawn instead of the one that is wanted; null for one that is there.</summary>
    /// <param name="families">A list as CSS writes it.</param>
    /// <param name="standIn">The same for a list where there are no fonts of the project.</param>
    public string? StandInFor(string families, Func<string, string?> standIn) =>
        FamilyList.Wanted(families) is not { } wanted ? null
        : FamilyList.Of(families).Where(f => !FamilyList.IsGeneric(f)).FirstOrDefault(f => Has(f) || standIn(f) is null) is { } drawn ? (drawn == wanted ? null : drawn)
        : standIn(families);

    /// <summary>The book with some fonts more; one that it has already stays as it is.</summary>
    public FontBook With(IEnumerable<Font> fonts) => Of([.. Fonts, .. fonts]);

    /// <summary>The book without a font.</summary>
    public FontBook Without(string sha256) => Of(Fonts.Where(f => f.Sha256 != sha256));

    /// <summary>Writes it as JSON; empty for none.</summary>
    public string ToJson() => Fonts.IsEmpty ? "" : json ??= JsonSerializer.Serialize(Fonts);

    /// <summary>Reads it back; text that is no book is none.</summary>
    public static FontBook Read(string json)
    {
        try
        {
            return json.Length == 0 ? Empty : Of(JsonSerializer.Deserialize<ImmutableArray<Font>>(json).Where(f => !f.Names.IsDefaultOrEmpty));
        }
        catch (JsonException)
        {
            return Empty;
        }
    }
}
