namespace Kalypto.Core.Pages;

/// <summary>Says once, of what is around them, how words are set that are set alike (CSS Cascade 4, section 7.2).</summary>
internal static class Inheritance
{
    // What a box around words does not hand down to them stays with them.
    private static readonly string[] NotHandedDown = ["background", "background-clip", "text-decoration"];

    /// <summary>Says it, from the outside in.</summary>
    public static void Give(PageElement body, TypeStyles types)
    {
        foreach (var words in body.All.Where(e => e.Words is not null))
        {
            words.Type.AddRange(types.Of(words.Words!));
        }
        foreach (var child in body.Children)
        {
            Hoist(child);
        }
    }

    private static void Hoist(PageElement element)
    {
        List<PageElement> words = [.. element.All.Where(e => e.Words is not null)];
        if (words.Count < 2)
        {
            return;
        }
        foreach (var shared in words[0].Type.Where(t => !NotHandedDown.Contains(t.Property) && words.TrueForAll(w => w.Type.Contains(t))).ToList())
        {
            element.Set(shared.Property, shared.Value);
            words.ForEach(w => w.Type.Remove(shared));
        }
        if (words[0].Style.Find(s => s.Property == "text-align") is { Value: not null } align && words.TrueForAll(w => w.Style.Contains(align)))
        {
            words.ForEach(w => w.Style.Remove(align));
            element.Set(align.Property, align.Value);
        }
        foreach (var child in element.Children)
        {
            Hoist(child);
        }
    }
}
