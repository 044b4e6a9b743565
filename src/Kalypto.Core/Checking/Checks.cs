namespace Kalypto.Core.Checking;

/// <summary>All checks. A new check is one file and one line here.</summary>
public static class Checks
{
    /// <summary>The checks, in no order that matters.</summary>
    public static IReadOnlyList<ICheck> All { get; } =
    [
        new SamePath(), new NameRefused(), new NotNamedYet(), new LongName(),
        new HiddenShips(), new HiddenOpen(), new GuideShips(), new NothingVisible(), new NothingMade(), new PartsOfNothing(), new CannotBeDrawn(),
        new InkOutsideBox(), new PictureUnderScale(), new HalfPoints(), new UnevenIconBoxes(), new MissingStates(),
        new TextAsPicture(), new MissingFont(), new NotKeptInReading(),
        new PhotoNotShipped(), new LikelyUnmarked(), new SameDrawingTwoNames(),
        new CannotBeVector(), new ManyShapes(), new TransparencyLost(), new OverBudget(), new DrawnTagsRefused(),
        new SeveralScreens(), new OffScreen(), new DrawnAtGuess(), new NeedlessOuterGroup(),
    ];
}
