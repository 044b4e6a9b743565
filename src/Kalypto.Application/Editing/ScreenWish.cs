using Kalypto.Core.Designs;

namespace Kalypto.Application.Editing;

/// <summary>A change to the screens of a design that somebody asks for.</summary>
public abstract record ScreenWish
{
    private ScreenWish()
    {
    }

    /// <summary>Split the board as it was proposed.</summary>
    /// <param name="By">The id of the proposal.</param>
    public sealed record Split(string By) : ScreenWish;

    /// <summary>Make a screen of a layer, or of a rectangle in drawing units.</summary>
    public sealed record Add(string? Name, int? Layer, Box? Box) : ScreenWish;

    /// <summary>Give a screen another name.</summary>
    public sealed record Rename(int Root, string Name) : ScreenWish;

    /// <summary>Move a screen to a place in the order, from 0.</summary>
    public sealed record Move(int Root, int To) : ScreenWish;

    /// <summary>Give a screen another frame, in drawing units.</summary>
    public sealed record Reframe(int Root, Box Box) : ScreenWish;

    /// <summary>Take a screen away; its layers stay.</summary>
    public sealed record Remove(int Root) : ScreenWish;
}
