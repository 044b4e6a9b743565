namespace Kalypto.Core.Pages;

/// <summary>Says what is read aloud instead of pictures (HTML, 4.8.4.4): nothing for one that only goes with words.</summary>
internal static class PictureWords
{
    // pt: a picture so small beside words goes with them.
    private const double Icon = 48;

    /// <summary>Says it of all pictures in an element.</summary>
    public static void Give(PageElement element, bool isBesideWords = false, bool isInControl = false)
    {
        var isControl = element.Tag is "a" or "button";
        var hasWords = isControl || !isInControl ? element.All.Any(e => e.Words is not null) : isBesideWords;
        foreach (var child in element.Children)
        {
            if (child.Tag == "img")
            {
                var said = child.Part?.Said.Alt;
                var own = child.Part?.Picture?.Alt ?? "";
                var only = (isControl || isInControl) && !hasWords;
                child.Alt = said ?? (only ? Name(element) is { Length: > 0 } name ? name : own : hasWords && child.Box.Width <= Icon && child.Box.Height <= Icon ? "" : own);
            }
            Give(child, hasWords, isControl || isInControl);
        }
        // A control without a word for people who hear it has its name.
        if (isControl && !element.All.Any(e => e.Words is not null) && !element.All.Any(e => e is { Tag: "img", Alt.Length: > 0 }) && !element.Attributes.Exists(a => a.Key == "aria-label"))
        {
            element.Attributes.Add(new("aria-label", Name(element) is { Length: > 0 } name ? name : "Action"));
        }
    }

    private static string Name(PageElement element) => string.Join(' ', Meanings.NameOf(element)) is { Length: > 0 } name ? char.ToUpperInvariant(name[0]) + name[1..] : "";
}
