using Kalypto.Core.Designs;

namespace Kalypto.Core.Shapes;

/// <summary>A path that is an upright box with round corners, whatever it was written as: rectangle, circle, path.</summary>
/// <param name="Box">The box.</param>
/// <param name="UpperLeft">The radius of the corner.</param>
/// <param name="UpperRight">The radius of the corner.</param>
/// <param name="LowerRight">The radius of the corner.</param>
/// <param name="LowerLeft">The radius of the corner.</param>
internal readonly record struct RoundedBox(Box Box, double UpperLeft, double UpperRight, double LowerRight, double LowerLeft)
{
    // As a share of the larger side: what nobody sees.
    private const double Slack = 2e-3;

    /// <summary>Reads it; null for what is no such box, and for corners that are not as round one way as the other.</summary>
    public static RoundedBox? Of(IReadOnlyList<PathSegment> path)
    {
        if (path.Count > 40 || PathBounds.Of(path) is not { IsEmpty: false } box)
        {
            return null;
        }
        var slack = Math.Max(box.Width, box.Height) * Slack + 1e-6;
        var corners = new double[4];
        var (x, y, startX, startY) = (0.0, 0.0, 0.0, 0.0);
        var subpaths = 0;
        foreach (var (command, v) in PathCurves.Of(path))
        {
            var (toX, toY) = command == 'Z' ? (startX, startY) : (v[^2], v[^1]);
            switch (command)
            {
                case 'M':
                    (startX, startY) = (toX, toY);
                    subpaths++;
                    break;
                case 'L' or 'Z':
                    if (!LiesOnSide(x, y, toX, toY))
                    {
                        return null;
                    }
                    break;
                default:
                    // A curve along a side is a line; one between two sides is a corner.
                    if (!(LiesOnSide(x, y, toX, toY) && LiesOnSide(x, y, v[0], v[1]) && LiesOnSide(x, y, v[2], v[3])) && !TakeCorner(x, y, v))
                    {
                        return null;
                    }
                    break;
            }
            (x, y) = (toX, toY);
        }
        var isClosed = Math.Abs(x - startX) < slack && Math.Abs(y - startY) < slack;
        return subpaths == 1 && isClosed ? new(box, corners[0], corners[1], corners[2], corners[3]) : null;

        bool LiesOnSide(double fromX, double fromY, double toX, double toY) =>
            (Math.Abs(fromX - toX) < slack && (Near(toX, box.X) || Near(toX, box.Right))) || (Math.Abs(fromY - toY) < slack && (Near(toY, box.Y) || Near(toY, box.Bottom)));

        bool Near(double a, double b) => Math.Abs(a - b) < slack;

        bool TakeCorner(double fromX, double fromY, double[] v)
        {
            var (toX, toY) = (v[4], v[5]);
            // One end stands on an upright side, the other on a level one.
            var isUprightFirst = (Near(fromX, box.X) || Near(fromX, box.Right)) && (Near(toY, box.Y) || Near(toY, box.Bottom));
            var isLevelFirst = (Near(fromY, box.Y) || Near(fromY, box.Bottom)) && (Near(toX, box.X) || Near(toX, box.Right));
            if (!isUprightFirst && !isLevelFirst)
            {
                return false;
            }
            var (cornerX, cornerY) = isUprightFirst ? (fromX, toY) : (toX, fromY);
            var (across, down) = (Math.Abs(toX - fromX), Math.Abs(toY - fromY));
            if (Math.Abs(across - down) > Math.Max(slack, 0.02 * Math.Max(across, down)))
            {
                return false;
            }
            // Half way a round corner is this far from where its sides would meet.
            var (midX, midY) = ((fromX + 3 * v[0] + 3 * v[2] + toX) / 8, (fromY + 3 * v[1] + 3 * v[3] + toY) / 8);
            var away = Math.Sqrt(Math.Pow(midX - cornerX, 2) + Math.Pow(midY - cornerY, 2));
            var radius = (across + down) / 2;
            if (Math.Abs(away - radius * (Math.Sqrt(2) - 1)) > Math.Max(slack, radius * 0.05))
            {
                return false;
            }
            var right = Near(cornerX, box.Right);
            corners[Near(cornerY, box.Y) ? right ? 1 : 0 : right ? 2 : 3] = radius;
            return true;
        }
    }
}
