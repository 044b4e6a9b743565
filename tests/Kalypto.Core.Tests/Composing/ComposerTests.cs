using CsCheck;
using Kalypto.Core.Composing;
using Kalypto.Core.Designs;

namespace Kalypto.Core.Tests.Composing;

public class ComposerTests
{
    private static Block Of(params IReadOnlyList<Piece> pieces) => Composer.Compose(375, 400, pieces);

    private static Piece Box(int layer, double x, double y, double width, double height, string look = "box") => new(layer, new(x, y, width, height)) { IsGround = true, Look = look };

    private static Piece Leaf(int layer, double x, double y, double width, double height, string look = "icon") => new(layer, new(x, y, width, height)) { Look = look };

    [Fact]
    public void A_card_is_a_row_of_its_icon_and_a_column_of_words()
    {
        var screen = Of(Box(1, 20, 40, 335, 60), Leaf(2, 36, 58, 24, 24), Leaf(3, 76, 50, 160, 22, "heading"), Leaf(4, 76, 74, 120, 16, "body"));
        var card = Assert.Single(screen.Children);
        Assert.Equal((Flow.Column, new Edges(40, 20, 300, 20)), (screen.Flow, screen.Padding));
        Assert.Equal((1, Flow.Row, 16d, Align.Center), (card.Piece!.Layer, card.Flow, card.Gap, card.Align));
        Assert.Equal(new Edges(10, 119, 10, 16), card.Padding);
        var words = card.Children[1];
        Assert.Equal((Flow.Column, 2d, Align.Start), (words.Flow, words.Gap, words.Align));
        Assert.Equal([3, 4], words.Children.Select(c => c.Piece!.Layer));
    }

    [Fact]
    public void Icons_in_rows_and_columns_are_a_grid_and_a_list()
    {
        var grid = Of([.. Enumerable.Range(0, 6).Select(i => Leaf(i, 20 + i % 3 * 60, 30 + i / 3 * 52, 40, 40))]);
        Assert.Equal((Flow.Grid, 3, 20d, 12d, true), (grid.Flow, grid.Columns, grid.Gap, grid.RowGap, grid.IsList));
        // One that is missing at the end is a row that is not full.
        var five = Of([.. Enumerable.Range(0, 5).Select(i => Leaf(i, 20 + i % 3 * 60, 30 + i / 3 * 52, 40, 40))]);
        Assert.Equal((Flow.Grid, 3), (five.Flow, five.Columns));
    }

    [Fact]
    public void Rows_that_are_built_alike_are_a_list_whatever_they_say()
    {
        Piece[] Row(int i) => [Box(10 * i, 20, 20 + i * 66, 335, 58), Leaf(10 * i + 1, 36, 37 + i * 66, 24, 24), Leaf(10 * i + 2, 76, 38 + i * 66, 120 + 9 * i, 22, "heading")];
        var list = Of([.. Row(0), .. Row(1), .. Row(2)]);
        Assert.Equal((Flow.Column, 8d, true, Align.Stretch), (list.Flow, list.Gap, list.IsList, list.Align));
        Assert.False(Of([.. Row(0), .. Row(1)[..2]]).IsList);
    }

    [Fact]
    public void What_lies_over_another_is_a_stack_in_the_order_of_painting()
    {
        // A glow beneath the moon; the words reach into it, and follow it all the same.
        var glow = Of(Leaf(1, 40, 20, 280, 280), Leaf(2, 110, 90, 140, 140), Leaf(3, 120, 250, 120, 60, "heading"));
        Assert.Equal((Flow.Column, -50d), (glow.Flow, glow.Gap));
        Assert.Equal((Flow.Stack, "1 2"), (glow.Children[0].Flow, string.Join(' ', glow.Children[0].Children.Select(c => c.Piece!.Layer))));
        // What follows would be painted before what it lies on: a stack it is.
        var badge = Of(Leaf(1, 20, 20, 200, 120, "photo"), Leaf(2, 150, 10, 40, 20, "badge"));
        Assert.Equal((Flow.Stack, "1 2"), (badge.Flow, string.Join(' ', badge.Children.Select(c => c.Piece!.Layer))));
    }

    [Fact]
    public void The_wider_room_parts_first_where_both_ways_part()
    {
        // Two columns of two, the columns far apart and not in line.
        var page = Of(Leaf(1, 20, 20, 100, 20), Leaf(2, 20, 44, 100, 20), Leaf(3, 240, 24, 80, 20), Leaf(4, 240, 48, 80, 20));
        Assert.Equal((Flow.Row, 120d), (page.Flow, page.Gap));
        Assert.All(page.Children, c => Assert.Equal((Flow.Column, 4d), (c.Flow, c.Gap)));
    }

    [Fact]
    public void Every_piece_is_there_once_inside_its_block_and_in_order()
    {
        var piece = Gen.Select(Gen.Int[0, 300], Gen.Int[0, 300], Gen.Int[1, 120], Gen.Int[1, 120], Gen.Bool);
        piece.Array[0, 40].Sample(all =>
        {
            List<Piece> pieces = [.. all.Select((p, i) => new Piece(i, new(p.Item1, p.Item2, p.Item3, p.Item4)) { IsGround = p.Item5 })];
            var screen = Composer.Compose(420, 420, pieces);
            Assert.Equal(pieces.Select(p => p.Layer), screen.All.Select(b => b.Piece).OfType<Piece>().Select(p => p.Layer).Order());
            foreach (var block in screen.All)
            {
                Assert.All(block.Children, c => Assert.True(c.Box.X >= block.Box.X - 1 && c.Box.Y >= block.Box.Y - 1 && c.Box.Right <= block.Box.Right + 1 && c.Box.Bottom <= block.Box.Bottom + 1));
                if (block.Flow is Flow.Row or Flow.Column)
                {
                    Assert.All(block.Children.Zip(block.Children.Skip(1)), n => Assert.True(block.Flow == Flow.Row ? n.First.Box.Right <= n.Second.Box.X + 0.5 + (n.First.Box.Width + n.Second.Box.Width) / 5 : n.First.Box.Bottom <= n.Second.Box.Y + 0.5 + (n.First.Box.Height + n.Second.Box.Height) / 5));
                }
            }
        });
    }

    [Fact]
    public void What_is_painted_later_is_never_beneath_what_it_covers()
    {
        var piece = Gen.Select(Gen.Int[0, 300], Gen.Int[0, 300], Gen.Int[1, 160], Gen.Int[1, 160]);
        piece.Array[0, 30].Sample(all =>
        {
            List<Piece> pieces = [.. all.Select((p, i) => new Piece(i, new(p.Item1, p.Item2, p.Item3, p.Item4)))];
            List<int> painted = [.. Composer.Compose(460, 460, pieces).All.Select(b => b.Piece).OfType<Piece>().Select(p => p.Layer)];
            for (var upper = 0; upper < pieces.Count; upper++)
            {
                Assert.All(Enumerable.Range(0, upper).Where(lower => pieces[lower].Box.Intersect(pieces[upper].Box) is { Width: > 0, Height: > 0 }), lower => Assert.True(painted.IndexOf(lower) < painted.IndexOf(upper)));
            }
        });
    }
}
