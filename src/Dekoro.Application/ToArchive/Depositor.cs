using System.Threading.Channels;
using Dekoro.Application.Hosting;
using Dekoro.Application.Ingest;
using Dekoro.Intake.Sword;
using Dekoro.Storage;

namespace Dekoro.Application.ToArchive;

/// <summary>
/// Hands pictures to the archive with their words, once these rest; what does not go through is tried again until it
/// does, over any number of starts.
/// </summary>
public sealed class Depositor(
    Workspace workspace,
    DepositAt at,
    SwordClient sword,
    Archives archives,
    Events events,
    TimeProvider clock,
    ILogger<Depositor> log
) : BackgroundService
{
    /// <summary>So long words rest before they are sent: who types a caption is not done after its first
    /// letters.</summary>
    private static readonly TimeSpan Rest = TimeSpan.FromSeconds(5);

    private static readonly TimeSpan Look = TimeSpan.FromSeconds(2);

    /// <summary>Words that change so soon after are handed on by themselves; later ones are the archive's.</summary>
    private static readonly TimeSpan HandsOnFor = TimeSpan.FromDays(1);

    private static readonly TimeSpan[] Waits =
    [
        TimeSpan.FromSeconds(5),
        TimeSpan.FromSeconds(20),
        TimeSpan.FromMinutes(1),
        TimeSpan.FromMinutes(5),
        TimeSpan.FromMinutes(15),
        TimeSpan.FromHours(1),
    ];

    private readonly Channel<bool> _asked = Channel.CreateBounded<bool>(
        new BoundedChannelOptions(1) { FullMode = BoundedChannelFullMode.DropWrite }
    );
    private long _touched = -1;
    private DateTimeOffset _leftAloneUntil;

    /// <summary>Puts a picture among those that are handed over; what went already or waits stays as it is, and what
    /// was refused is tried again.</summary>
    /// <returns>False for a picture that is not in the library.</returns>
    public bool Ask(string assetId, string by)
    {
        if (workspace.Assets.Find(assetId) is not { AwaySince: null } asset)
            return false;
        var now = clock.GetUtcNow();
        if (
            !workspace.Deposits.Add(
                new(
                    assetId,
                    DepositState.Waiting,
                    by,
                    now,
                    now + Rest,
                    0,
                    "",
                    Deposited.Nothing with
                    {
                        Words = WordsOf(asset),
                    }
                )
            ) && workspace.Deposits.Find(assetId) is { State: not DepositState.Handed } deposit
        )
        {
            // What was refused is handed in anew; what of it the archive has unfinished stays there so.
            var there = deposit is { State: DepositState.Refused, There.HandedAt: null }
                ? Deposited.Nothing
                : deposit.There;
            workspace.Deposits.Change(
                deposit with
                {
                    State = DepositState.Waiting,
                    NextAt = now,
                    Tries = 0,
                    There = there,
                }
            );
        }
        _leftAloneUntil = default;
        Tell(assetId);
        return true;
    }

    /// <summary>Hands on words that changed long after the picture went.</summary>
    /// <returns>False where it did not go yet.</returns>
    public bool HandOnWords(string assetId)
    {
        if (workspace.Deposits.Find(assetId) is not { There.HandedAt: not null } deposit)
            return false;
        workspace.Deposits.Change(
            deposit with
            {
                State = DepositState.Waiting,
                NextAt = clock.GetUtcNow(),
                Tries = 0,
                Sentence = "",
            }
        );
        Tell(assetId);
        return true;
    }

    /// <summary>Takes one out that waits or was refused.</summary>
    public bool Forget(string assetId)
    {
        var gone = workspace.Deposits.Remove(assetId);
        Tell(assetId);
        return gone;
    }

    /// <summary>After another address or token was set.</summary>
    public void Hasten()
    {
        _leftAloneUntil = default;
        workspace.Deposits.Hasten(clock.GetUtcNow());
        _asked.Writer.TryWrite(true);
    }

    /// <summary>Whether the words of a picture are others than the archive has.</summary>
    public static bool HasOtherWords(Asset asset, Deposit deposit) =>
        deposit.There.HandedAt is not null && deposit.There.Words != WordsOf(asset);

    /// <inheritdoc/>
    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        await Task.Yield();
        while (!stoppingToken.IsCancellationRequested)
        {
            try
            {
                SeeChangedWords();
                await WorkAsync(stoppingToken);
                await WaitAsync(stoppingToken);
            }
            catch (OperationCanceledException) when (stoppingToken.IsCancellationRequested)
            {
                return;
            }
            catch (Exception e)
            {
                // Whatever it is, it must not end the process: a service that throws takes the host with it.
                log.LogWarning(e, "Nothing could be handed to the archive; it is tried again in {Wait}.", Waits[2]);
                await Task.Delay(Waits[2], stoppingToken).ContinueWith(_ => { }, TaskScheduler.Default);
            }
        }
    }

    /// <summary>Does all that is due.</summary>
    internal async Task WorkAsync(CancellationToken stop)
    {
        foreach (var deposit in workspace.Deposits.In(DepositState.Waiting))
        {
            if (_leftAloneUntil > clock.GetUtcNow())
                return;
            if (deposit.NextAt > clock.GetUtcNow())
                continue;
            if (workspace.Assets.Find(deposit.AssetId) is not { AwaySince: null } asset)
                continue;
            var words = WordsOf(asset);
            // Somebody is at them.
            var isMoving = deposit.There.HandedAt is null && words != deposit.There.Words && deposit.Tries == 0;
            var after = isMoving
                ? deposit with
                {
                    NextAt = clock.GetUtcNow() + Rest,
                    There = deposit.There with { Words = words },
                }
                : await TryAsync(deposit, asset, words, stop);
            workspace.Deposits.Change(after);
            if (!isMoving)
                events.Send("library", new { id = asset.Id });
        }
    }

    private async Task<Deposit> TryAsync(Deposit deposit, Asset asset, string words, CancellationToken stop)
    {
        var address = at.Now;
        if (deposit.There.HandedAt is not null && deposit.There.Service != address.Address)
            return deposit with
            {
                State = DepositState.Handed,
                Sentence = $"It was handed to another archive ({deposit.There.Service}): change its words there.",
            };
        // What was begun in another archive stays there unfinished.
        var begun = deposit.There.Service == address.Address ? deposit : deposit with { There = Deposited.Nothing };
        try
        {
            var handed = await HandAsync(begun, asset, words, address, stop);
            archives.Forget(DepositAt.UriOf(address.Address));
            events.Send("archive", new { id = asset.Id });
            return handed with { State = DepositState.Handed, Tries = 0, Sentence = "" };
        }
        catch (DepositException e)
        {
            // What came of the first half is not done twice.
            var now = workspace.Deposits.Find(deposit.AssetId) ?? deposit;
            var wait = Waits[Math.Min(deposit.Tries, Waits.Length - 1)];
            var next = clock.GetUtcNow() + (e.After > wait ? e.After.Value : wait);
            if (e.Failure is DepositFailure.Away or DepositFailure.Settings)
                _leftAloneUntil = next;
            return now with
            {
                State = e.Failure == DepositFailure.Refused ? DepositState.Refused : DepositState.Waiting,
                NextAt = next,
                Tries = deposit.Tries + 1,
                Sentence = e.Message,
            };
        }
        catch (Exception e) when (e is IOException or UnauthorizedAccessException)
        {
            return deposit with
            {
                State = DepositState.Refused,
                Sentence = "Its file cannot be read here: add the picture again.",
            };
        }
    }

    /// <exception cref="DepositException">It did not go through.</exception>
    private async Task<Deposit> HandAsync(
        Deposit deposit,
        Asset asset,
        string words,
        DepositAddress address,
        CancellationToken stop
    )
    {
        if (deposit.There.HandedAt is not null)
        {
            await sword.DescribeAsync(address, new Uri(deposit.There.Object), words, stop);
            return deposit with { There = deposit.There with { Words = words } };
        }
        var file = new DepositedFile(
            workspace.PathOf(asset),
            asset.Facts.FileName,
            $"image/{(asset.Facts.IsVector ? "svg+xml" : asset.Facts.Format.ToString().ToLowerInvariant())}",
            asset.KeptSha256
        );
        if (deposit.There.Object.Length == 0)
        {
            var service = await sword.ServiceAsync(address, stop);
            if (service.Refusal(file.MediaType, new FileInfo(file.Path).Length) is { } refusal)
                throw new DepositException(DepositFailure.Refused, refusal);
            var made = await sword.BeginAsync(address, words, stop);
            deposit = deposit with { There = new(address.Address, made.AbsoluteUri, words, null) };
            workspace.Deposits.Change(deposit);
        }
        var place = new Uri(deposit.There.Object);
        await sword.CompleteAsync(address, place, file, stop);
        if (deposit.There.Words != words)
            await sword.DescribeAsync(address, place, words, stop);
        return deposit with { There = deposit.There with { Words = words, HandedAt = clock.GetUtcNow() } };
    }

    /// <summary>Words that were typed soon after a picture went are on their way as well.</summary>
    private void SeeChangedWords()
    {
        var (number, _) = workspace.Touched.Since(_touched < 0 ? workspace.Touched.Last : _touched);
        if (number == _touched)
            return;
        _touched = number;
        var now = clock.GetUtcNow();
        foreach (var deposit in workspace.Deposits.HandedSince(now - HandsOnFor))
        {
            if (workspace.Assets.Find(deposit.AssetId) is { } asset && HasOtherWords(asset, deposit))
                workspace.Deposits.Change(deposit with { State = DepositState.Waiting, NextAt = now + Rest });
        }
    }

    private async Task WaitAsync(CancellationToken stop)
    {
        var now = clock.GetUtcNow();
        var isQuiet =
            workspace.Deposits.NextDue() is null && workspace.Deposits.HandedSince(now - HandsOnFor).Count == 0;
        using var timed = CancellationTokenSource.CreateLinkedTokenSource(stop);
        if (!isQuiet)
            timed.CancelAfter(Look);
        try
        {
            await _asked.Reader.ReadAsync(timed.Token);
        }
        catch (OperationCanceledException) when (!stop.IsCancellationRequested)
        {
            // Time to look again.
        }
    }

    private void Tell(string assetId)
    {
        events.Send("library", new { id = assetId });
        _asked.Writer.TryWrite(true);
    }

    private static string WordsOf(Asset asset) =>
        SwordMetadata.Write(asset.Facts.Metadata, asset.Facts.FileName, asset.TakenOn);
}
