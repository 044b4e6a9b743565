namespace Kalypto.Core.Pages;

/// <summary>What a rule says otherwise where the window is narrow.</summary>
internal static class NarrowRules
{
    private static readonly string[] Families = ["margin", "padding"];

    /// <summary>The declarations that make those of a wide window the ones of a narrow one.</summary>
    public static IReadOnlyList<(string Property, string Value)> Between(IReadOnlyList<(string Property, string Value)> wide, IReadOnlyList<(string Property, string Value)> narrow)
    {
        var all = new List<(string, string)>();
        foreach (var family in Families)
        {
            List<(string Property, string Value)> before = [.. wide.Where(d => IsOf(d.Property, family))], after = [.. narrow.Where(d => IsOf(d.Property, family))];
            if (!before.SequenceEqual(after))
            {
                if (before.Count > 0 && !after.Exists(d => d.Property == family))
                {
                    all.Add((family, "0"));
                }
                all.AddRange(after);
            }
        }
        all.AddRange(wide.Where(d => !Families.Any(f => IsOf(d.Property, f)) && narrow.All(n => n.Property != d.Property)).Select(d => (d.Property, "unset")));
        all.AddRange(narrow.Where(d => !Families.Any(f => IsOf(d.Property, f)) && !wide.Contains(d)));
        return all;
    }

    private static bool IsOf(string property, string family) => property == family || property.StartsWith(family + "-", StringComparison.Ordinal);
}
