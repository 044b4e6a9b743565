using System.Collections.Immutable;
using Kalypto.Core.Deciding;
using Kalypto.Core.Designs;
using Kalypto.Core.Styling;

namespace Kalypto.Core.Pages;

/// <summary>
/// Finds what a page shows of a screen: what ships as pictures, what is built in code as words and boxes, and what nobody
/// decided on as what it looks like. What is left is not there.
/// </summary>
/// <param name="design">The design.</param>
/// <param name="screen">A screen of it.</param>
/// <param name="isPicture">True for a layer that is shown as the picture that it ships as.</param>
public sealed class PageParts(DesignState design, Screen screen, Func<Layer, bool> isPicture)
{
    private const int MostOpenPictures = 400;

    private readonly ValuesReader values = new(design, screen);
    private readonly Box corner = design.ToPoints(screen.Box);
    private readonly ImmutableArray<PagePart>.Builder parts = ImmutableArray.CreateBuilder<PagePart>();
    private readonly Dictionary<int, PageGroup> groups = [];

    /// <summary>The screen with its parts, their words not measured yet and their pictures without files.</summary>
    public PageScreen Read()
    {
        // Screens lie beside one another on a board; what lies on this one may have any of them around it.
        var inside = design.Measured.LayersOf(screen).Where(l => l != screen.Root && l.Content != LayerContent.Screen).ToHashSet();
        foreach (var top in inside.Where(l => l.Parent is null || !inside.Contains(l.Parent)).OrderBy(l => l.Ordinal))
        {
            Add(top, [], isLeft: false);
        }
        // So many shapes that nobody decided on are a picture in pieces, which no page is made of.
        var open = parts.Count(p => p is { Kind: PartKind.Picture, IsOpen: true });
        return new(screen.Name, corner.Width, corner.Height, open <= MostOpenPictures ? parts.ToImmutable() : [.. parts.Where(p => p is not { Kind: PartKind.Picture, IsOpen: true })], groups) { LeftOut = open <= MostOpenPictures ? 0 : open };
    }

    private void Add(Layer layer, ImmutableArray<int> around, bool isLeft)
    {
        if (layer.Guide || layer.Hidden || layer.Content == LayerContent.Screen)
        {
            return;
        }
        var decision = design.MarkOf(layer).Decision;
        if (isPicture(layer))
        {
            AddPart(layer, PartKind.Picture, around, isOpen: false);
            return;
        }
        // What is left takes all in it along that nobody wants otherwise.
        isLeft = decision == Decision.Leave || (isLeft && decision == Decision.Open);
        var isOpen = decision is not (Decision.Code or Decision.Leave);
        switch (layer.Content)
        {
            case LayerContent.Text when !isLeft:
                AddPart(layer, PartKind.Words, around, isOpen);
                break;
            case LayerContent.Shape or LayerContent.Repeat when !isLeft:
                AddPart(layer, !isOpen || IsBox(layer) ? PartKind.Box : PartKind.Picture, around, isOpen);
                break;
            case LayerContent.Image when !isLeft:
                AddPart(layer, PartKind.Picture, around, isOpen: true);
                break;
            case LayerContent.Group when !isLeft && isOpen && IsOnePicture(layer):
                AddPart(layer, PartKind.Picture, around, isOpen);
                break;
            case LayerContent.Group:
                groups[layer.Ordinal] = new(layer.Ordinal, design.OwnNameOf(layer) ?? "", design.SaidOf(layer).Tags);
                foreach (var child in layer.Children)
                {
                    Add(child, [layer.Ordinal, .. around], isLeft);
                }
                break;
        }
    }

    private void AddPart(Layer layer, PartKind kind, ImmutableArray<int> around, bool isOpen)
    {
        if (design.PointsOf(layer) is not { } shape)
        {
            return;
        }
        var box = shape with { X = shape.X - corner.X, Y = shape.Y - corner.Y };
        var own = kind == PartKind.Picture ? null : values.Of(layer);
        if (kind != PartKind.Picture && own is null || kind == PartKind.Words && own!.Text is null || box.X >= corner.Width || box.Y >= corner.Height || box.Right <= 0 || box.Bottom <= 0)
        {
            return;
        }
        parts.Add(new(layer.Ordinal, kind, design.OwnNameOf(layer) ?? "", own?.Box ?? box) { Values = own, Said = design.SaidOf(layer).Tags, Groups = around, IsOpen = isOpen });
    }

    // A group of shapes without words or boxes to lie on, one that is cut, and one with an effect, is one picture.
    private bool IsOnePicture(Layer group)
    {
        var all = group.SelfAndDescendants().Where(l => !l.Guide && !l.HiddenHere).ToList();
        return all.TrueForAll(l => l.Content != LayerContent.Text && design.MarkOf(l).Decision is Decision.Open or Decision.Leave && !isPicture(l))
            && (all.Exists(l => l.Content == LayerContent.Image || l.Element.Style("clip-path") is not null || l.Element.Style("mask") is not null || (l.Content == LayerContent.Group && l.Element.Style("filter") is not (null or "none")))
                || all.Where(l => l.Content is LayerContent.Shape or LayerContent.Repeat).Any(l => !IsBox(l)));
    }

    private bool IsBox(Layer layer) => values.Of(layer) is { Outline: null, Beyond.IsEmpty: true, Turn: 0 };
}
