using Kalypto.Core.Composing;
using Kalypto.Core.Designs;
using Kalypto.Core.Styling;

namespace Kalypto.Core.Pages;

/// <summary>Builds the elements of a page, from the window to the leaves.</summary>
/// <param name="screen">The screen.</param>
/// <param name="tokens">What values are called.</param>
internal sealed class PageTree(PageScreen screen, ITokenNames tokens)
{
    private const double Slack = 1;

    // pt: what stands at the top or bottom over the whole width and is no higher is no part of what lies between.
    private const double Header = 140;
    private readonly PageLayout layout = new(screen, tokens);

    /// <summary>The body with all in it.</summary>
    public PageElement Build()
    {
        var body = new PageElement("body");
        var root = Composer.Compose(screen.Width, screen.Height, [.. screen.Parts.Select(PieceOf)]);
        // A box behind all is the ground of the page itself.
        while (root.Children is [{ Piece.IsGround: true } ground] && IsWhole(ground.Box))
        {
            layout.Paint(body, layout.PartOf(ground)!.Values!);
            body.Part = layout.PartOf(ground);
            root = ground;
            if (root.Children.IsEmpty)
            {
                break;
            }
        }
        body.Style.RemoveAll(s => s.Property is not ("background" or "background-color"));
        body.Set("min-height", "100vh");
        if (root.Children.IsEmpty)
        {
            body.Children.Add(new("main"));
            return body;
        }
        List<Block> sections = root.Flow == Flow.Column ? [.. root.Children] : [root with { Piece = null, Box = Around(root.Children) }];
        var (top, bottom) = (sections[0].Box.Y, screen.Height - sections[^1].Box.Bottom);
        body.Padding = new(Lengths.Some(Math.Max(0, top)), null, Lengths.Some(Math.Max(0, bottom)), null);
        var first = sections.Count > 1 && IsFull(sections[0]) && (Says(sections[0], "header", "navigation", "nav", "bar") || (sections[0] is { Piece: not null, Box: { Y: <= Slack, Height: <= Header } })) ? 1 : 0;
        var last = sections.Count - first > 1 && IsFull(sections[^1]) && (Says(sections[^1], "footer", "tab", "tabs") || (sections[^1].Piece is not null && sections[^1].Box.Bottom >= screen.Height - Slack && sections[^1].Box.Height <= Math.Max(Header, screen.Height / 5))) ? 1 : 0;
        var blocks = new List<Block>();
        if (first > 0)
        {
            Add(body, blocks, "header", [sections[0]]);
        }
        Add(body, blocks, "main", sections[first..^last]);
        if (last > 0)
        {
            Add(body, blocks, "footer", [sections[^1]]);
        }
        if (blocks.Count > 1)
        {
            body.Set("display", "flex");
            body.Set("flex-direction", "column");
            ColumnLayout.Space(body, blocks);
            body.Children.First(c => c.Tag == "main").Set("flex", "1 0 auto");
        }
        return body;
    }

    private void Add(PageElement body, List<Block> blocks, string tag, List<Block> sections)
    {
        // What does not go from edge to edge keeps off them together.
        var runs = new List<Block>();
        foreach (var section in sections)
        {
            if (!IsFull(section) && runs.Count > 0 && !IsFull(runs[^1]))
            {
                runs[^1] = Composer.Column([.. runs[^1] is { Piece: null, Flow: Flow.Column } run && !sections.Contains(run) ? run.Children : [runs[^1]], section]);
            }
            else
            {
                runs.Add(section);
            }
        }
        var element = runs is [var only] ? Window(only) : new PageElement("div");
        if (runs.Count > 1)
        {
            foreach (var run in runs)
            {
                element.Children.Add(Window(run));
            }
            element.Set("display", "flex");
            element.Set("flex-direction", "column");
            ColumnLayout.Space(element, runs);
        }
        else if (element.Tag != "div")
        {
            var around = new PageElement("div");
            around.Children.Add(element);
            element = around;
        }
        element.Tag = tag;
        element.Box = Around(runs);
        body.Children.Add(element);
        blocks.Add(Composer.Column(runs));
    }

    /// <summary>An element in the whole window.</summary>
    private PageElement Window(Block block) => layout.InWindow(block);

    private bool IsFull(Block block) => block.Box.X <= Slack && block.Box.Right >= screen.Width - Slack && (block.Piece is not null || block.Flow == Flow.Stack);

    private bool IsWhole(Box box) => box.X <= Slack && box.Y <= Slack && box.Right >= screen.Width - Slack && box.Bottom >= screen.Height - Slack;

    private bool Says(Block block, params string[] words) => layout.NameOf(block) is var name && words.Any(name.Contains);

    private static Box Around(IEnumerable<Block> blocks) => blocks.Select(b => b.Box).Aggregate((a, b) => a.Union(b));

    private Piece PieceOf(PagePart part)
    {
        var box = part.Values is { Text: not null } values ? WordsLayout.LinesOf(values) : part.Box.Intersect(new(0, 0, screen.Width, screen.Height));
        return new(part.Layer, box)
        {
            Core = part.Values?.Text is { } text ? WordsLayout.LettersOf(box, text) : box,
            IsGround = part is { Kind: PartKind.Box, Values: { Outline: null, Turn: 0, Blur: 0, Blend: null } },
            Look = part switch
            {
                { Kind: PartKind.Words, Values.Text: { } words } => $"words {words.Main.Type} {words.Main.Fill}",
                { Kind: PartKind.Box, Values: { } v } => $"box {v.Fill} {v.Border} {v.Radii} {Math.Round(v.Box.Width)} {Math.Round(v.Box.Height)}",
                _ => $"picture {Math.Round(part.Box.Width / 4)} {Math.Round(part.Box.Height / 4)}",
            },
        };
    }
}
