namespace Kalypto.Application.People;

/// <summary>
/// Stands in for a mail server: keeps what would be sent, to be read on a page. In memory only, since there are links in it
/// that let people in.
/// </summary>
public sealed class Outbox : IMail
{
    private const int Most = 100;
    private readonly Lock gate = new();
    private readonly LinkedList<Mail> mails = [];

    /// <summary>What would have been sent since the start, the newest first.</summary>
    public IReadOnlyList<Mail> Mails
    {
        get
        {
            lock (gate)
            {
                return [.. mails];
            }
        }
    }

    /// <inheritdoc/>
    public void Send(Mail mail)
    {
        lock (gate)
        {
            mails.AddFirst(mail);
            if (mails.Count > Most)
            {
                mails.RemoveLast();
            }
        }
    }
}
