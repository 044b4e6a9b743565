using System.Runtime.CompilerServices;
using Kalypto.Core.Composing;
using Kalypto.Core.Designs;
using Kalypto.Core.Naming;
using Kalypto.Core.Styling;
using Kalypto.Core.Styling.Code;
using Kalypto.Core.Tagging;

namespace Kalypto.Core.Pages;

/// <summary>Turns blocks into elements with their rules: as drawn where the window is as wide as the drawing, and sensible on all others.</summary>
/// <param name="screen">The screen.</param>
/// <param name="tokens">What values are called.</param>
internal sealed class PageLayout(PageScreen screen, ITokenNames tokens)
{
    private readonly Dictionary<int, PagePart> parts = screen.Parts.ToDictionary(p => p.Layer);
    private readonly GroupsOfBlocks groups = new(screen);
    private readonly ConditionalWeakTable<Block, double[]> columns = [];

    /// <summary>The width of the screen, in pt.</summary>
    public double Width => screen.Width;

    /// <summary>The part that a block shows itself; null for none.</summary>
    public PagePart? PartOf(Block block) => block.Piece is { } piece ? parts[piece.Layer] : null;

    /// <summary>What a tag line says of a block: of its layer, or of the group that it stands for.</summary>
    public Tags SaidOf(Block block) => PartOf(block)?.Said is { } said ? groups.Of(block) is { } around ? said.Over(around.Said) : said : groups.Of(block)?.Said ?? Tags.Empty;

    /// <summary>The words of the name of a block; none where nobody named it.</summary>
    public IReadOnlyList<string> NameOf(Block block) => NameWords.Split(groups.Of(block)?.Name is { Length: > 0 } name ? name : PartOf(block)?.Name ?? "");

    /// <summary>True for a block that takes what room there is; false for one that keeps its size.</summary>
    public bool IsFlexible(Block block)
    {
        if (SaidOf(block).Fills is { } said)
        {
            return said;
        }
        return PartOf(block) switch
        {
            { Kind: PartKind.Words, Values.Text: { } text } => text.Anchor == "start",
            { Kind: PartKind.Picture } => false,
            { } when block.Children.IsEmpty => block.Box.Width > 4 * block.Box.Height && block.Box.Width > 60,
            { } => !IsChip(block) && !IsRound(block) && (block.Box.Width > 200 || block.All.Any(b => PartOf(b) is { Kind: PartKind.Words })),
            null => block.Children.Any(IsFlexible),
        };
    }

    /// <summary>True for a small box around a few words or an icon: a button, a label.</summary>
    public static bool IsChip(Block block) => block.Piece is not null && !block.Children.IsEmpty && block.Box is { Height: <= 72, Width: <= 260 } && block.All.Skip(1).Count(b => b.Piece is not null) <= 3
        && block.All.Skip(1).All(b => b.Piece is { IsGround: false } || (b.Piece is null && b.Flow == Flow.Row));

    // A circle is one at any width.
    private bool IsRound(Block block) => Math.Abs(block.Box.Width - block.Box.Height) <= 2 && PartOf(block)?.Values?.Radii is { AreOne: true } radii && radii.UpperLeft >= block.Box.Width / 2 - 1;

    /// <summary>An element for a block that its parent lays into a room from left to right; in a column, a cell or a stack.</summary>
    public PageElement InColumn(Block block, double left, double right, bool isAlone)
    {
        var (before, behind, width) = (block.Box.X - left, right - block.Box.Right, right - left);
        if (left <= 0.5 && right >= screen.Width - 0.5 && before >= 1)
        {
            return InWindow(block);
        }
        var isMiddle = Math.Abs(before - behind) <= 2 && before > 4;
        if (PartOf(block) is { Kind: PartKind.Words, Values.Text: { } text })
        {
            var words = Leaf(block);
            var isCentred = isMiddle && (text.Anchor == "middle" || (isAlone && text.Anchor == "start")) || (text.Anchor == "middle" && Math.Abs(before - behind) <= 2);
            if (text.Anchor == "middle" && !isCentred)
            {
                // As much room on both sides of its middle as the nearer edge leaves.
                var (middle, half) = (block.Box.X + block.Box.Width / 2, Math.Min(block.Box.X + block.Box.Width / 2 - left, right - block.Box.X - block.Box.Width / 2));
                words.Margin = words.Margin with { Left = Lengths.Aside(middle - half - left, width), Right = Lengths.Aside(right - middle - half, width) };
                isCentred = true;
            }
            else if (!isCentred && text.Anchor == "start")
            {
                words.Margin = words.Margin with { Left = Lengths.Aside(before, width) };
            }
            WordsLayout.Set(words, block, text.Anchor == "start" && !isCentred ? block.Box.X : left, right, isCentred);
            return words;
        }
        var fills = SaidOf(block).Fills;
        var fitsAll = before <= 1 && behind <= 1;
        if (PartOf(block) is { Kind: PartKind.Picture })
        {
            var picture = Leaf(block);
            if (fills == true || (fitsAll && width > 100 && fills is null))
            {
                picture.Set("width", "100%");
            }
            else
            {
                Beside(picture, before, behind, width, isMiddle);
            }
            return picture;
        }
        var hasGround = block.Piece is not null;
        if (fills == true || (fills is null && fitsAll))
        {
            // What sticks out does so.
            var stretched = Content(block, left + Math.Min(0, before), right - Math.Min(0, behind));
            stretched.Margin = stretched.Margin with { Left = before < -1 ? Lengths.Px(before) : stretched.Margin.Left, Right = behind < -1 ? Lengths.Px(behind) : stretched.Margin.Right };
            return stretched;
        }
        if (!hasGround && IsFlexible(block))
        {
            // What only keeps others together takes the room to its right, too, unless it stands in the middle.
            var isWide = isMiddle && block.All.All(b => b.Piece is null || PartOf(b) is not { Kind: PartKind.Words, Values.Text.Anchor: "start" });
            var element = isWide ? Content(block, left, right) : Content(block, block.Box.X, before > 8 && isMiddle ? block.Box.Right : right);
            if (!isWide)
            {
                element.Margin = element.Margin with { Left = Lengths.Aside(before, width), Right = before > 8 && isMiddle ? Lengths.Aside(behind, width) : element.Margin.Right };
            }
            return element;
        }
        if (!hasGround && block.Flow is Flow.Row or Flow.Grid or Flow.Column)
        {
            // Things of a size: the row or column is as wide as its parent, and they stand in it where they stand.
            return Content(block, left, right);
        }
        var own = Content(block, block.Box.X, block.Box.Right);
        if (fills is null && hasGround && block.Box.Width >= width / 2 && (IsFlexible(block) || (IsChip(block) && isMiddle)))
        {
            own.Margin = own.Margin with { Left = Lengths.Aside(before, width), Right = Lengths.Aside(behind, width) };
            return own;
        }
        own.Set("width", Lengths.Px(block.Box.Width));
        own.Set("max-width", "100%");
        Beside(own, before, behind, width, isMiddle);
        return own;
    }

    /// <summary>An element for a block that has the whole window; what does not go from edge to edge keeps off them, and in the middle of a wide one.</summary>
    public PageElement InWindow(Block block)
    {
        var (before, behind) = (block.Box.X, screen.Width - block.Box.Right);
        // Where only lines go on to an edge, all else keeps off it.
        var edge = Math.Min(before, behind) < 1 && Math.Max(before, behind) <= 40 && block is { Piece: null, Flow: Flow.Column } ? Math.Max(before, behind) : Math.Min(before, behind);
        if (edge < 1)
        {
            var whole = Content(block, Math.Max(0, before), screen.Width - Math.Max(0, behind));
            whole.Margin = whole.Margin with { Left = whole.Margin.Left ?? (before >= 1 ? Lengths.Aside(before, screen.Width) : null), Right = whole.Margin.Right ?? (behind >= 1 ? Lengths.Aside(behind, screen.Width) : null) };
            return whole;
        }
        var gutter = Lengths.Gutter(edge, screen.Width);
        if (block.Piece is null)
        {
            var own = Content(block, edge, screen.Width - edge);
            own.Padding = own.Padding with { Left = gutter, Right = gutter };
            return own;
        }
        var inner = InColumn(block, edge, screen.Width - edge, isAlone: true);
        if (inner.Margin is { Left: null, Right: null } && inner.Tag == "div")
        {
            inner.Margin = inner.Margin with { Left = gutter, Right = gutter };
            return inner;
        }
        var around = new PageElement("div") { Box = block.Box, Padding = new(null, gutter, null, gutter) };
        around.Children.Add(inner);
        return around;
    }

    /// <summary>The element of a block that has just the room from left to right.</summary>
    public PageElement Content(Block block, double left, double right)
    {
        if (block.Children.IsEmpty)
        {
            return Leaf(block);
        }
        var element = new PageElement("div") { Box = block.Box, Part = PartOf(block), Group = groups.Of(block), IsList = block.IsList };
        var (inner, above) = ((Left: left, Right: right), 0.0);
        if (element.Part is { Values: { } values })
        {
            // Browsers draw borders in whole px, down from what is asked.
            var line = values.Border is { Width: var drawn } ? Math.Max(1, Math.Floor(drawn)) : 0;
            var (top, bottom) = (block.Padding.Top - line, block.Padding.Bottom - line);
            // Parts of one width have the whole box.
            var side = block.Flow == Flow.Row && RowLayout.IsEven(this, block.Children, block.Box.X + line, block.Box.Right - line) ? 0 : Math.Max(0, Math.Min(block.Padding.Left, block.Padding.Right) - line);
            Paint(element, values);
            above = Math.Min(0, top);
            inner = (left + line + side, right - line - side);
            // A box from edge to edge keeps what lies in it where it was drawn, and in the middle of a wider window.
            var isFull = block.Box.X <= 1 && block.Box.Right >= screen.Width - 1 && side >= 1;
            var aside = isFull ? Lengths.Gutter(side, screen.Width) : Lengths.Some(side);
            element.Padding = new(Lengths.Some(Math.Max(0, top)), aside, bottom <= 0 ? null : Lengths.Px(bottom > top + 12 ? Math.Min(bottom, 24) : bottom), aside);
            if (bottom > top + 12 || bottom <= 0 || top < 0)
            {
                element.Set("min-height", Lengths.Px(block.Box.Height));
            }
        }
        Fill(element, block, inner.Left, inner.Right);
        // What sticks out above its box does so.
        if (above < -0.3)
        {
            element.Children[0].Margin = element.Children[0].Margin with { Top = Lengths.Px(above) };
        }
        return element;
    }

    /// <summary>Where the columns of a row begin that shares them with rows above and below it, in pt; null for a row of its own.</summary>
    public double[]? ColumnsOf(Block row) => columns.TryGetValue(row, out var starts) ? starts : null;

    /// <summary>Says that rows share their columns.</summary>
    public void Share(IEnumerable<Block> rows, double[] starts)
    {
        foreach (var row in rows)
        {
            columns.AddOrUpdate(row, starts);
        }
    }

    /// <summary>Lays what is in a block into its element.</summary>
    public void Fill(PageElement element, Block block, double left, double right)
    {
        switch (block.Flow)
        {
            case Flow.Row:
                RowLayout.Fill(this, element, block, left, right);
                break;
            case Flow.Grid when GridLayout.TryFill(this, element, block, left, right):
                break;
            case Flow.Grid:
                ColumnLayout.Fill(this, element, [.. block.Children.Chunk(block.Columns).Select(r => Composer.Row(r))], left, right);
                break;
            case Flow.Stack:
                StackLayout.Fill(this, element, block, left, right);
                break;
            default:
                ColumnLayout.Fill(this, element, block.Children, left, right);
                break;
        }
    }

    /// <summary>The element of what has nothing in it.</summary>
    private PageElement Leaf(Block block)
    {
        var part = PartOf(block)!;
        var element = new PageElement(part.Kind == PartKind.Picture ? "img" : part.Kind == PartKind.Words ? "p" : "div") { Box = block.Box, Part = part, Group = groups.Of(block) };
        switch (part)
        {
            case { Kind: PartKind.Words, Values: { } values }:
                element.Words = values.Text;
                Paint(element, values);
                break;
            case { Kind: PartKind.Box, Values: { } values }:
                Paint(element, values);
                element.Set("height", Lengths.Px(block.Box.Height));
                break;
            case { Kind: PartKind.Picture } when part.Box.Width - block.Box.Width > 1 || part.Box.Height - block.Box.Height > 1:
                // What sticks out of the screen is cut off, not pressed into it.
                element.Set("width", Lengths.Px(block.Box.Width));
                element.Set("height", Lengths.Px(block.Box.Height));
                element.Set("object-fit", "cover");
                element.Set("object-position", $"{Shown(block.Box.X - part.Box.X, part.Box.Width - block.Box.Width)} {Shown(block.Box.Y - part.Box.Y, part.Box.Height - block.Box.Height)}");
                break;
        }
        return element;
    }

    // Where of a picture is shown what is shown, of what does not fit.
    private static string Shown(double before, double more) => more <= 0.5 ? "0" : $"{Numbers.Text(Math.Clamp(before / more, 0, 1) * 100, 1)}%";

    /// <summary>Beside its neighbours' edges: in the middle, or at the nearer side.</summary>
    private static void Beside(PageElement element, double before, double behind, double width, bool isMiddle) => element.Margin = isMiddle ? element.Margin with { Left = "auto", Right = "auto" }
        : before <= behind ? element.Margin with { Left = Lengths.Aside(before, width) } : element.Margin with { Left = "auto", Right = Lengths.Aside(behind, width) };

    /// <summary>What a box or words look like, but for how the words are set.</summary>
    public void Paint(PageElement element, LayerValues values)
    {
        var isWords = values.Text is not null;
        foreach (var (property, value) in CssCode.Declarations(isWords ? values : Faded.Of(values), tokens))
        {
            // What a box holds says how large it is; how words are set is said of all words together.
            if (isWords ? property is "text-shadow" or "filter" or "opacity" or "mix-blend-mode" or "transform" : property is not ("width" or "height" or "box-sizing"))
            {
                // Of its own, an opacity is a number.
                element.Set(property, property == "opacity" ? Numbers.Text(values.Opacity, 4) : value);
            }
        }
    }
}
